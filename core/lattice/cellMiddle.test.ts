import fc from 'fast-check';
import { expect, it } from 'vitest';
import { anyRepeat } from '../testing/arbitraries.ts';
import { nearestCellMiddle } from './cellMiddle.ts';
import { latticeOf, latticeTranslate } from './lattice.ts';

const far = fc.double({ min: -2000, max: 2000, noNaN: true });

it('the middle of the nearest cell is a middle, and none of its neighbours is nearer', () => {
  fc.assert(
    fc.property(anyRepeat, far, far, (repeat, x, y) => {
      const lattice = latticeOf(repeat);
      const found = nearestCellMiddle(repeat, { x, y });
      const off = Math.hypot(found.x - x, found.y - y);
      for (const i of [-1, 0, 1])
        for (const j of [-1, 0, 1]) {
          const by = latticeTranslate(lattice, { i, j });
          expect(Math.hypot(found.x + by.x - x, found.y + by.y - y)).toBeGreaterThanOrEqual(off - 1e-6);
        }
    }),
  );
});
