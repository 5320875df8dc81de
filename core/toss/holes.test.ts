import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { latticeOf, SQUARE } from '../lattice/index.ts';
import { anyStep, repeatsOf } from '../testing/arbitraries.ts';
import { fillHoles } from './fill.ts';
import { findHoles } from './holes.ts';
import { TOSSABLE, roundsFor, recipe, nearest } from '../testing/tossFixtures.ts';

describe('holes', () => {
  it('are the largest empty rounds, as looking everywhere finds them, and lie apart', () => {
    fc.assert(
      fc.property(
        repeatsOf(
          fc.integer({ min: 60, max: 120 }),
          fc.integer({ min: 60, max: 120 }),
          anyStep.filter(({ drop }) => drop.q <= 3),
        ),
        fc.array(
          fc.record({
            x: fc.double({ min: 0, max: 120, noNaN: true }),
            y: fc.double({ min: 0, max: 120, noNaN: true }),
            r: fc.double({ min: 2, max: 12, noNaN: true }),
          }),
          { minLength: 2, maxLength: 6 },
        ),
        (repeat, rounds) => {
          const lattice = latticeOf(repeat);
          const holes = findHoles(lattice, rounds, 2, 50);
          let widest = 0;
          for (let x = 0; x < repeat.width; x += 1.3)
            for (let y = 0; y < repeat.height; y += 1.3)
              widest = Math.max(widest, Math.min(...rounds.map((one) => nearest(lattice, { x, y }, one) - one.r)));
          const most = 0.5 * Math.min(repeat.width, repeat.height);
          expect(holes[0]?.r ?? 0).toBeGreaterThanOrEqual(Math.min(widest, most) - 1e-3 - 0.8);
          for (const [n, hole] of holes.entries()) {
            for (const one of rounds) expect(nearest(lattice, hole, one) - one.r).toBeGreaterThanOrEqual(hole.r - 1e-3);
            for (const before of holes.slice(0, n))
              expect(nearest(lattice, hole, before)).toBeGreaterThanOrEqual(before.r - 1e-3);
            expect(hole.r).toBeLessThanOrEqual((holes[n - 1]?.r ?? Infinity) + 1e-9);
          }
        },
      ),
      { numRuns: 14 },
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
