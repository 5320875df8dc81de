import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Box, boxAround, IDENTITY, isInsideLoops, type Point, transform } from '../geometry/index.ts';
import { latticeOf, SQUARE, step } from '../lattice/index.ts';
import type { FilledLoops } from './coverage.ts';
import { outlinesOf } from './strokeBox.ts';
import { fillRegion } from './fillRegion.ts';
import { instancesIn } from './instancesIn.ts';
import { real, straight } from './testing/hands.ts';

/** A ring as a line of a width leaves it. */
function ring({ x, y }: Point, radius: number, width: number): FilledLoops {
  const circle = (r: number): Point[] =>
    Array.from({ length: 240 }, (_, n) => ({
      x: x + r * Math.cos((2 * Math.PI * n) / 240),
      y: y + r * Math.sin((2 * Math.PI * n) / 240),
    }));
  return { loops: [circle(radius + width / 2), circle(radius - width / 2)], rule: 'evenodd' };
}

describe('the area about a place', () => {
  it('is what a flood reaches, tried place by place, whatever rings lie about it', () => {
    const rings = fc.array(fc.record({ x: real(-22, 22), y: real(-22, 22), radius: real(3, 14) }), {
      minLength: 0,
      maxLength: 5,
    });
    fc.assert(
      fc.property(rings, (others) => {
        const width = 1.2;
        const all = [{ x: 0, y: 0, radius: 24 }, ...others];
        const covers = (p: Point): boolean =>
          all.some(({ x, y, radius }) => Math.abs(Math.hypot(p.x - x, p.y - y) - radius) <= width / 2);
        const at = { x: 0.3, y: 0.2 };
        fc.pre(!covers(at));
        const lines = all.map((one) => ring(one, one.radius, width));
        const region = fillRegion(() => lines, at);
        if (typeof region === 'string') throw new Error(region);
        // By brute force, every quarter of a mm.
        const [step, half] = [0.25, 120];
        const side = 2 * half + 1;
        const cell = (n: number): Point => ({
          x: at.x + ((n % side) - half) * step,
          y: at.y + (Math.floor(n / side) - half) * step,
        });
        const reached = new Uint8Array(side * side);
        const start = half * side + half;
        reached[start] = 1;
        const queue = [start];
        for (let n = queue.pop(); n !== undefined; n = queue.pop())
          for (const next of [n + 1, n - 1, n + side, n - side])
            if (reached[next] === 0 && !covers(cell(next))) {
              reached[next] = 1;
              queue.push(next);
            }
        let [same, other] = [0, 0];
        for (let n = 0; n < reached.length; n += 31) {
          if (covers(cell(n))) continue;
          if (isInsideLoops(region, cell(n)) === (reached[n] === 1)) same += 1;
          else other += 1;
        }
        // Ways through that are narrower than a place are seen by one and not by the other: they are few.
        expect(other / (same + other)).toBeLessThan(0.02);
      }),
      { numRuns: 12 },
    );
  });

  it('is closed off by lines of other repeats too, and reaches under them but not beyond', () => {
    for (const repeat of [
      { width: 60, height: 40, step: SQUARE },
      { width: 60, height: 40, step: step('half-drop', 1, 2) },
    ]) {
      const lattice = latticeOf(repeat);
      // Two strokes across the cell: only with those of the cells beside do they close anything off.
      const strokes = [
        straight({ x: 30, y: -5 }, { x: 30, y: 45 }, 2),
        straight({ x: 28, y: 20 }, { x: 92, y: 20 }, 2),
      ];
      const linesIn = (window: Box): FilledLoops[] =>
        strokes.flatMap((stroke) => {
          const loops = outlinesOf(stroke);
          return instancesIn(lattice, IDENTITY, boxAround(loops.flat()), window).map((matrix) => ({
            loops: loops.map((loop) => loop.map((point) => transform(matrix, point))),
            rule: 'nonzero' as const,
          }));
        });
      const region = fillRegion(linesIn, { x: 58, y: 5 });
      if (typeof region === 'string') throw new Error(region);
      const { left, right } = boxAround(region.flat());
      // From line to line, a little under both.
      expect(left).toBeGreaterThan(30);
      expect(left).toBeLessThan(31);
      expect(right).toBeGreaterThan(89);
      expect(right).toBeLessThan(90);
    }
  });

  it('is refused where it is open, or covered', () => {
    const open: FilledLoops = {
      loops: outlinesOf(straight({ x: -20, y: 0 }, { x: 20, y: 0 }, 2)),
      rule: 'nonzero',
    };
    expect(fillRegion(() => [open], { x: 0, y: 10 })).toBe('open');
    expect(fillRegion(() => [open], { x: 0, y: 0 })).toBe('covered');
    expect(fillRegion(() => [], { x: 0, y: 0 })).toBe('open');
  });

  it('does not leak through a line as thin as a hair', () => {
    const region = fillRegion(() => [ring({ x: 0, y: 0 }, 20, 0.02)], { x: 3, y: 4 });
    if (typeof region === 'string') throw new Error(region);
    const { right } = boxAround(region.flat());
    expect(right).toBeGreaterThan(19.5);
    expect(right).toBeLessThan(20.2);
  });
});
