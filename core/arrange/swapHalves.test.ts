import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, newDesign } from '../document/index.ts';
import { latticeDistance, latticeOf, symmetryOpsOf } from '../lattice/index.ts';
import { anyPlacementFields, anyRepeat, leafAt } from '../testing/arbitraries.ts';
import { swapHalves } from './swapHalves.ts';

describe('swapping halves', () => {
  it('moves the whole plane by half a cell, and is refused where cells are mirrored or rotated', () => {
    fc.assert(
      fc.property(anyRepeat, fc.array(anyPlacementFields, { maxLength: 5 }), (repeat, fields) => {
        const placements = fields.map((field, n) => ({ index: n, placement: leafAt(`p${n}`, field) }));
        const design = apply(newDesign('d', 'Kelp', repeat), { type: 'insert', placements });
        const command = swapHalves(design);
        expect(command === undefined).toBe(symmetryOpsOf(design.repeat).length > 1);
        if (!command) return;
        const lattice = latticeOf(design.repeat);
        const swapped = apply(design, command);
        for (const [n, { x, y }] of design.placements.entries()) {
          const to = swapped.placements[n];
          if (!to) throw new Error('a placement is gone');
          const off = latticeDistance(lattice, to.x - x - design.repeat.width / 2, to.y - y - design.repeat.height / 2);
          expect(off).toBeLessThan(1e-6 * design.repeat.width);
          expect({ ...to, x, y }).toEqual(design.placements[n]);
        }
      }),
    );
  });
});
