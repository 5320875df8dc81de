import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { latticeOf, orbitDistance } from '../lattice/index.ts';
import { anyPoint, anyRepeat } from '../testing/arbitraries.ts';
import { ClearanceField } from './clearanceField.ts';
import { nearest } from '../testing/tossFixtures.ts';

describe('openness', () => {
  it('is the distance to the nearest round through every instance, and never more between its places', () => {
    fc.assert(
      fc.property(
        anyRepeat,
        fc.array(
          fc.record({
            x: fc.double({ min: -200, max: 900, noNaN: true }),
            y: fc.double({ min: -200, max: 900, noNaN: true }),
            r: fc.double({ min: 1, max: 40, noNaN: true }),
          }),
          { minLength: 1, maxLength: 5 },
        ),
        anyPoint,
        (repeat, rounds, at) => {
          const lattice = latticeOf({
            ...repeat,
            width: Math.max(40, repeat.width),
            height: Math.max(40, repeat.height),
          });
          const openness = new ClearanceField(lattice, 30);
          openness.add(rounds);
          const truth = Math.min(30, ...rounds.map(({ x, y, r }) => nearest(lattice, at, { x, y }) - r));
          const told = openness.atLeast(at.x, at.y);
          expect(told).toBeLessThanOrEqual(truth + 1e-3);
          expect(told).toBeGreaterThanOrEqual(truth - 2 * Math.hypot(openness.stepX, openness.stepY) - 1e-6);
        },
      ),
    );
  });

  it('measures across joins as looking at every instance does', () => {
    fc.assert(
      fc.property(anyRepeat, anyPoint, anyPoint, (repeat, p, q) => {
        const lattice = latticeOf(repeat);
        expect(orbitDistance(lattice, p, q)).toBeCloseTo(nearest(lattice, p, q), 6);
      }),
    );
  });
});
