import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { latticeDistance, latticeOf, pixelGrid, SQUARE } from '../lattice/index.ts';
import { anyStep, repeatsOf } from '../testing/arbitraries.ts';
import { fillHoles } from './fill.ts';
import { findHoles } from './holes.ts';
import { TOSSABLE, roundsFor, recipe, nearest } from '../testing/tossFixtures.ts';

describe('holes', () => {
  it('are the largest empty rounds, as looking everywhere finds them, and lie apart', () => {
    fc.assert(
      fc.property(
        repeatsOf(
          fc.integer({ min: 12, max: 24 }),
          fc.integer({ min: 12, max: 24 }),
          anyStep.filter(({ drop }) => drop.q <= 3),
        ),
        fc.array(
          fc.record({
            x: fc.double({ min: 0, max: 24, noNaN: true }),
            y: fc.double({ min: 0, max: 24, noNaN: true }),
            r: fc.double({ min: 0.8, max: 3, noNaN: true }),
          }),
          { minLength: 2, maxLength: 4 },
        ),
        (repeat, rounds) => {
          const lattice = latticeOf(repeat);
          const grid = pixelGrid(repeat, 1);
          const { width, height } = grid.cell;
          const middles = Array.from({ length: width * height }, (_, n) => ({
            x: ((n % width) + 0.5) / grid.scaleX,
            y: (Math.floor(n / width) + 0.5) / grid.scaleY,
          }));
          const isDrawn = middles.map((at) => rounds.some((one) => nearest(lattice, at, one) < one.r));
          const drawn = middles.filter((_, n) => isDrawn[n]);
          fc.pre(drawn.length > 0);
          // Pixels are a little larger across than down, or smaller: so exact is it.
          const slack = 0.02 * Math.max(repeat.width, repeat.height);
          const clear = (at: { x: number; y: number }): number =>
            drawn.reduce(
              (least, one) => Math.min(least, latticeDistance(lattice, one.x - at.x, one.y - at.y)),
              Infinity,
            ) - 0.5;
          const holes = findHoles(lattice, { grid, solid: Uint8Array.from(isDrawn, Number) }, 1, 50);
          const widest = middles.reduce((most, at) => Math.max(most, clear(at)), 0);
          const most = 0.5 * Math.min(lattice.domain.width, lattice.domain.height);
          if (widest > 1 + slack) expect(holes[0]?.r).toBeGreaterThanOrEqual(Math.min(widest, most) - slack);
          for (const [n, hole] of holes.entries()) {
            expect(Math.abs(hole.r - Math.min(most, clear(hole)))).toBeLessThanOrEqual(slack);
            for (const before of holes.slice(0, n))
              expect(nearest(lattice, hole, before)).toBeGreaterThanOrEqual(before.r - 1e-3);
            expect(hole.r).toBeLessThanOrEqual((holes[n - 1]?.r ?? Infinity) + 1e-9);
          }
        },
      ),
      { numRuns: 20 },
    );
  });

  it('are filled as large as fits with the gap, by another than lies nearest', () => {
    const lattice = latticeOf({ width: 200, height: 200, step: SQUARE });
    const entries = [
      { motif: 'disc', role: 'filler' as const, count: 1, smallest: 0.2, largest: 2 },
      { motif: 'bar', role: 'filler' as const, count: 1, smallest: 0.1, largest: 2 },
    ];
    const holes = [
      { x: 50, y: 50, r: 15 },
      { x: 150, y: 150, r: 4 },
      { x: 100, y: 20, r: 3.2 },
    ];
    const laid = fillHoles(lattice, holes, recipe({ entries, gap: 3 }), TOSSABLE, [{ x: 60, y: 60, motif: 'disc' }]);
    expect(laid.map(({ motif }) => motif)).toEqual(['bar']);
    const [bar] = laid;
    expect(bar).toMatchObject({ x: 50, y: 50 });
    expect((bar?.scale ?? 0) * roundsFor('bar').reach).toBeLessThanOrEqual(12);
    expect((bar?.scale ?? 0) * roundsFor('bar').reach).toBeGreaterThan(11.9);
  });
});
