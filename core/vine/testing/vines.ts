import fc from 'fast-check';
import { type Lattice, latticeOf, latticeTranslate, type Repeat, SQUARE, step } from '../../lattice/index.ts';
import type { VineRecipe } from '../../recipe/index.ts';

export const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });
export const repeat: fc.Arbitrary<Repeat> = fc.record({
  width: real(40, 900),
  height: real(40, 900),
  step: fc.constantFrom(
    SQUARE,
    step('half-drop', 1, 2),
    step('half-drop', 2, 5),
    step('brick', 1, 3),
    step('brick', 5, 12),
  ),
});
const index = fc.constantFrom({ i: 1, j: 0 }, { i: 0, j: 1 }, { i: 1, j: 1 }, { i: 2, j: -1 }, { i: -1, j: 2 });
/** A vine on a lattice: its knots stray from the straight way by a part of it. */
export const vine = fc
  .record({
    repeat,
    index,
    strays: fc.array(fc.record({ along: real(-0.25, 0.25), off: real(-0.5, 0.5), width: real(0.5, 12) }), {
      minLength: 1,
      maxLength: 9,
    }),
  })
  .map(({ repeat: on, index: to, strays }): { lattice: Lattice; recipe: VineRecipe } => {
    const lattice = latticeOf(on);
    const period = latticeTranslate(lattice, to);
    const knots = strays.map(({ along, off, width }, n) => {
      const share = (n + along) / strays.length;
      return { x: period.x * share - period.y * off, y: period.y * share + period.x * off, width };
    });
    return {
      lattice,
      recipe: { kind: 'vine', index: to, period, knots, ink: '#4d6b3c', opacity: 1, branches: [], leaves: [] },
    };
  });

export const PLAIN: VineRecipe = {
  kind: 'vine',
  index: { i: 1, j: 0 },
  period: { x: 120, y: 0 },
  knots: [
    { x: -60, y: 0, width: 4 },
    { x: -20, y: 18, width: 6 },
    { x: 25, y: -12, width: 4 },
  ],
  ink: '#4d6b3c',
  opacity: 1,
  branches: [],
  leaves: [],
};
