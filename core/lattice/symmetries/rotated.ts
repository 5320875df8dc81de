import { fraction } from '../fraction.ts';
import { SQUARE } from '../step.ts';
import { STEP_KINDS } from '../steps/index.ts';
import type { StepRotation } from '../steps/stepKind.ts';
import { IDENTITY_OP, symmetryOp } from '../symmetry.ts';
import type { FoldedRotation } from './folded.ts';
import { fourCells, type Symmetry } from './symmetryKind.ts';

/** Cells that are upright rectangles, some of them rotated. */
export const ROTATED: Readonly<Record<Exclude<StepRotation, FoldedRotation>, Symmetry>> = {
  // Every other column (every other row of a brick) is rotated about its cell's middle. A half-turn is a symmetry of
  // any lattice, so this goes with every drop.
  half: {
    ops: ({ width, height, step }) => {
      const share = step.drop.p / step.drop.q;
      const isBrick = STEP_KINDS[step.kind].stacked === 'rows';
      const [x, y] = isBrick ? [width * (1 + share), 2 * height] : [2 * width, height * (1 + share)];
      return [IDENTITY_OP, symmetryOp(180, false, x, y)];
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
    proportion: 1,
    ops: ({ width }) => [
      IDENTITY_OP,
      symmetryOp(90, false, 2 * width, 0),
      symmetryOp(180, false, 2 * width, 2 * width),
      symmetryOp(270, false, 0, 2 * width),
    ],
    plain: fourCells,
  },
};
