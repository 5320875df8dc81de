import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { IDENTITY } from '../geometry/index.ts';
import type { GradientStop, LinearPaint, RadialPaint } from '../motif/index.ts';
import { lengthened } from './lengthenGradient.ts';
import { Unsupported } from './svgContext.ts';

const stop = (offset: number, opacity: number): GradientStop => ({ offset, ink: '#000000', opacity });
const STOPS = [stop(0.25, 0), stop(1, 1)];
const LINE: LinearPaint = { kind: 'linear', from: [0, 0], to: [2, 0], matrix: IDENTITY, stops: STOPS };
const RINGS: RadialPaint = { kind: 'radial', focus: [1, 0], centre: [0, 0], radius: 3, matrix: IDENTITY, stops: STOPS };
const BOX = { left: -3, top: 0, right: 7, bottom: 4 };

/** The opacity at an offset, by linear interpolation; ends are extended. */
function at(stops: readonly GradientStop[], t: number): number {
  const next = stops.findIndex(({ offset }) => offset > t);
  const [a, b] = [stops[next - 1], stops[next]];
  if (next < 0) return stops.at(-1)?.opacity ?? 0;
  return a && b ? a.opacity + ((t - a.offset) / (b.offset - a.offset)) * (b.opacity - a.opacity) : (b?.opacity ?? 0);
}

/** The offset that one within the first period stands for. */
function folded(t: number, spread: 'reflect' | 'repeat'): number {
  const part = t - Math.floor(t);
  return spread === 'reflect' && Math.abs(Math.floor(t)) % 2 === 1 ? 1 - part : part;
}

describe('a gradient that goes on', () => {
  it.each(['reflect', 'repeat'] as const)('along a line is the same at every point of the shape (%s)', (spread) => {
    const long = lengthened(LINE, spread, BOX) as LinearPaint;
    expect([long.from, long.to]).toEqual([
      [-4, 0],
      [8, 0],
    ]);
    fc.assert(
      fc.property(fc.double({ min: BOX.left, max: BOX.right, noNaN: true }), (x) => {
        // Not at a step, where both sides are right.
        fc.pre(Math.abs(x / 2 - Math.round(x / 2)) > 1e-6);
        expect(at(long.stops, (x + 4) / 12)).toBeCloseTo(at(STOPS, folded(x / 2, spread)), 6);
      }),
    );
  });

  it('around a focus has the same circles, scaled about it', () => {
    const long = lengthened(RINGS, 'repeat', BOX) as RadialPaint;
    const periods = long.radius / RINGS.radius;
    expect(Number.isInteger(periods)).toBe(true);
    expect(long.centre).toEqual([1 - periods, 0]);
    // The farthest corner lies on the circle of this offset, found by halving.
    const distance = (t: number): number => Math.hypot(7 - (1 - t), 4) - 3 * t;
    let [low, high] = [0, 20];
    for (let i = 0; i < 60; i += 1)
      [low, high] = distance((low + high) / 2) > 0 ? [(low + high) / 2, high] : [low, (low + high) / 2];
    expect(periods).toBe(Math.ceil(low));
    expect(long.stops).toHaveLength(3 * periods);
  });

  it('stays as it is where one period covers the shape', () => {
    expect(
      lengthened({ ...LINE, stops: [stop(0, 0), stop(1, 1)] }, 'repeat', { left: 0, top: 0, right: 2, bottom: 1 }),
    ).toEqual({
      ...LINE,
      stops: [stop(0, 0), stop(1, 1)],
    });
  });

  it('is no gradient any more where it repeats too often', () => {
    expect(() => lengthened({ ...LINE, to: [0.001, 0] }, 'repeat', BOX)).toThrow(Unsupported);
  });
});
