import fc from 'fast-check';
import { expect, it } from 'vitest';
import { apply, boxAroundCentre, type Design, inverse, newDesign, newPlacement } from '../document/index.ts';
import { shiftBox } from '../geometry/index.ts';
import { LEAF_RECORD } from '../testing/arbitraries.ts';
import { SQUARE } from '../lattice/index.ts';
import { fillingPlacement, GROUND_LAYER, layGround, liftGround, seenOnGround } from './layGround.ts';

const size = fc.double({ min: 20, max: 600, noNaN: true });
const designOf = (width: number, height: number): Design => ({
  ...newDesign('d', 'Kelp', { width, height, step: SQUARE }),
  placements: [newPlacement('a', { id: 'leaf' }, { x: 3, y: 4 })],
});

it('fills the cell exactly, below all else, and goes again without a trace', () => {
  fc.assert(
    fc.property(size, size, (width, height) => {
      const design = designOf(width, height);
      const command = layGround(design, LEAF_RECORD, 'ground', 'Ground');
      if (!command) throw new Error('it does not fit');
      const laid = apply(design, command);
      expect(apply(laid, inverse(design, command))).toEqual(design);
      const [placement] = laid.placements;
      if (!placement) throw new Error('nothing is laid');
      const box = shiftBox(boxAroundCentre(placement, LEAF_RECORD), placement);
      for (const [found, wanted] of [
        [box.left, 0],
        [box.top, 0],
        [box.right, width],
        [box.bottom, height],
      ] as const)
        expect(found).toBeCloseTo(wanted, 9);
      expect(laid.layers[0]).toMatchObject({ id: GROUND_LAYER, locked: true });
      expect(seenOnGround(laid)).toEqual(design.placements);
      // Another one takes its place.
      const again = layGround(laid, LEAF_RECORD, 'other', 'Ground');
      expect(again && apply(laid, again).placements.map(({ id }) => id)).toEqual(['other', 'a']);
      const lifted = liftGround(laid);
      expect(lifted && apply(laid, lifted)).toMatchObject({ layers: design.layers, placements: design.placements });
    }),
  );
});

it('is refused where the motif would be larger than one can be, and is not there to be lifted', () => {
  const design = designOf(900, 900);
  expect(fillingPlacement(design, { ...LEAF_RECORD, width: 1 }, 'x')).toBeUndefined();
  expect(layGround(design, { ...LEAF_RECORD, width: 1 }, 'x', 'Ground')).toBeUndefined();
  expect(liftGround(design)).toBeUndefined();
});
