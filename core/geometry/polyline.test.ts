import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from './point.ts';
import { smoothLoop } from './polyline.ts';

/** A circle of radius 100 as a trembling hand draws it, left open by a few degrees. */
const circle = (trembling: readonly number[]): Point[] =>
  trembling.map((off, n) => {
    const angle = (2 * Math.PI * n) / (trembling.length + 2);
    return { x: (100 + off) * Math.cos(angle), y: (100 + off) * Math.sin(angle) };
  });

const areaOf = (loop: readonly Point[]): number =>
  loop.reduce((sum, { x, y }, n) => {
    const next = loop[(n + 1) % loop.length] as Point;
    return sum + (x * next.y - next.x * y) / 2;
  }, 0);

const hands = fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 60, maxLength: 300 });

describe('a loop drawn by hand', () => {
  it('is closed without its trembling, about as large as it was drawn', () => {
    fc.assert(
      fc.property(hands, (trembling) => {
        const loop = smoothLoop(circle(trembling));
        expect(loop).toHaveLength(96);
        expect(Math.abs(areaOf(loop) / (Math.PI * 100 ** 2) - 1)).toBeLessThan(0.05);
        for (const { x, y } of loop) expect(Math.abs(Math.hypot(x, y) - 100)).toBeLessThan(3);
      }),
    );
  });

  it('is the same wherever the hand began', () => {
    const whole = circle(Array.from({ length: 94 }, () => 0));
    const [a, b] = [smoothLoop(whole), smoothLoop([...whole.slice(30), ...whole.slice(0, 30)])];
    const near = ({ x, y }: Point): number => Math.min(...b.map((other) => Math.hypot(other.x - x, other.y - y)));
    for (const point of a) expect(near(point)).toBeLessThan(3.5);
    expect(Math.abs(areaOf(a) - areaOf(b))).toBeLessThan(0.005 * areaOf(a));
  });

  it('needs a length', () => {
    expect(() => smoothLoop([{ x: 1, y: 1 }])).toThrow(RangeError);
  });
});
