import { fraction, type Fraction } from './fraction.ts';
import type { Repeat } from './repeat.ts';
import { SQUARE } from './step.ts';
import { STEP_KINDS } from './steps/index.ts';
import type { Mirroring, StepRotation } from './steps/stepKind.ts';
import { IDENTITY_OP, symmetryOp, type SymmetryOp } from './symmetry.ts';

/** The repeat without its operations: a larger cell that holds the cell and all that they show of it. */
export type PlainRepeat = Pick<Repeat, 'width' | 'height' | 'step'>;

/** What a mirrored or rotated step does to a cell. */
interface Symmetry {
  /** The operations, the identity first; with the lattice of the plain repeat they are a group. */
  ops(repeat: Repeat): readonly SymmetryOp[];
  plain(repeat: Repeat): PlainRepeat;
}

const across = (y = 0): SymmetryOp => symmetryOp('mirrored column', 0, true, 0, y);
// Reflecting top to bottom is reflecting left to right and half a turn.
const down = (x = 0): SymmetryOp => symmetryOp('mirrored row', 180, true, x, 0);
const HALF: Fraction = { p: 1, q: 2 };

const fourCells = ({ width, height }: Repeat): PlainRepeat => ({ width: 2 * width, height: 2 * height, step: SQUARE });

const MIRRORED: Readonly<Record<Mirroring, Symmetry>> = {
  columns: {
    ops: ({ height, step }) => [IDENTITY_OP, across(step.kind === 'half-drop' ? height / 2 : 0)],
    plain: ({ width, height }) => ({ width: 2 * width, height, step: SQUARE }),
  },
  rows: {
    ops: ({ width, step }) => [IDENTITY_OP, down(step.kind === 'brick' ? width / 2 : 0)],
    plain: ({ width, height }) => ({ width, height: 2 * height, step: SQUARE }),
  },
  // Of a half-drop or a brick the block of four is stepped by half of itself.
  both: {
    ops: () => [IDENTITY_OP, across(), down(), symmetryOp('half turn', 180, false)],
    plain: (repeat) => ({ ...fourCells(repeat), step: { kind: repeat.step.kind, drop: repeat.step.drop } }),
  },
  'chess-across': {
    ops: () => [IDENTITY_OP, across()],
    plain: ({ width, height }) => ({ width: 2 * width, height, step: { kind: 'brick', drop: HALF } }),
  },
  'chess-down': {
    ops: () => [IDENTITY_OP, down()],
    plain: ({ width, height }) => ({ width, height: 2 * height, step: { kind: 'half-drop', drop: HALF } }),
  },
  glides: {
    ops: ({ width, height }) => [
      IDENTITY_OP,
      symmetryOp('glide across', 180, true, width, height),
      symmetryOp('glide down', 0, true, width, height),
      symmetryOp('half turn', 180, false),
    ],
    plain: fourCells,
  },
  'columns-turned': {
    ops: ({ width }) => [
      IDENTITY_OP,
      across(),
      symmetryOp('half turn', 180, false, width, 0),
      symmetryOp('glide', 180, true, width, 0),
    ],
    plain: fourCells,
  },
  'rows-turned': {
    ops: ({ height }) => [
      IDENTITY_OP,
      down(),
      symmetryOp('half turn', 180, false, 0, height),
      symmetryOp('glide', 0, true, 0, height),
    ],
    plain: fourCells,
  },
};

const ROTATED: Readonly<Record<StepRotation, Symmetry>> = {
  // Every other column (every other row of a brick) is rotated about its cell's middle. A half-turn is a symmetry of
  // any lattice, so this goes with every drop.
  half: {
    ops: ({ width, height, step }) => {
      const share = step.drop.p / step.drop.q;
      const isBrick = STEP_KINDS[step.kind].stacked === 'rows';
      const [x, y] = isBrick ? [width * (1 + share), 2 * height] : [2 * width, height * (1 + share)];
      return [IDENTITY_OP, symmetryOp('half turn', 180, false, x, y)];
    },
    plain: ({ width, height, step }) => {
      const isBrick = STEP_KINDS[step.kind].stacked === 'rows';
      const drop = fraction(2 * step.drop.p, step.drop.q);
      return {
        width: isBrick ? width : 2 * width,
        height: isBrick ? 2 * height : height,
        step: drop.p === 0 ? SQUARE : { kind: step.kind, drop },
      };
    },
  },
  // Four square cells about their common corner, each a quarter turn further.
  quarter: {
    ops: ({ width }) => [
      IDENTITY_OP,
      symmetryOp('quarter turn', 90, false, 2 * width, 0),
      symmetryOp('half turn', 180, false, 2 * width, 2 * width),
      symmetryOp('three-quarter turn', 270, false, 0, 2 * width),
    ],
    plain: fourCells,
  },
};

const NONE: Symmetry = { ops: () => [IDENTITY_OP], plain: (repeat) => repeat };

function symmetryOf({ step: { mirrored, rotated } }: Repeat): Symmetry {
  return mirrored ? MIRRORED[mirrored] : rotated ? ROTATED[rotated] : NONE;
}

/**
 * What the lattice repeats: the cell itself, first, and what the step's operations show of it, in the repeat's unit.
 *
 * Together with the lattice they are a group (p1, p2, pm, pg, cm, pmm, pmg, pgg, cmm or p4 of the plane groups), so that every instance may
 * be taken for the motif itself: a motif carried over an edge looks the same everywhere before and after.
 */
export function symmetryOpsOf(repeat: Repeat): readonly SymmetryOp[] {
  return symmetryOf(repeat).ops(repeat);
}

/** The same cloth as a repeat without operations. The same object where there are none. */
export function plainRepeat(repeat: Repeat): PlainRepeat {
  return symmetryOf(repeat).plain(repeat);
}
