import type { Fraction } from '../fraction.ts';
import { SQUARE } from '../step.ts';
import type { Mirroring } from '../steps/stepKind.ts';
import { IDENTITY_OP, symmetryOp, type SymmetryOp } from '../symmetry.ts';
import type { FoldedMirroring } from './folded.ts';
import { fourCells, type Symmetry } from './symmetryKind.ts';

const across = (y = 0): SymmetryOp => symmetryOp(0, true, 0, y);
// Reflecting top to bottom is reflecting left to right and half a turn.
const down = (x = 0): SymmetryOp => symmetryOp(180, true, x, 0);
const HALF: Fraction = { p: 1, q: 2 };

/** Cells that are upright rectangles, some of them reflected. */
export const MIRRORED: Readonly<Record<Exclude<Mirroring, FoldedMirroring>, Symmetry>> = {
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
    ops: () => [IDENTITY_OP, across(), down(), symmetryOp(180, false)],
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
      symmetryOp(180, true, width, height),
      symmetryOp(0, true, width, height),
      symmetryOp(180, false),
    ],
    plain: fourCells,
  },
  'columns-turned': {
    ops: ({ width }) => [IDENTITY_OP, across(), symmetryOp(180, false, width, 0), symmetryOp(180, true, width, 0)],
    plain: fourCells,
  },
  'rows-turned': {
    ops: ({ height }) => [IDENTITY_OP, down(), symmetryOp(180, false, 0, height), symmetryOp(0, true, 0, height)],
    plain: fourCells,
  },
};
