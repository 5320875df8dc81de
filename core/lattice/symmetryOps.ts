import type { Point } from '../geometry/index.ts';
import type { Step } from './step.ts';
import { HEXAGON } from './hexagon.ts';
import { FOLDED } from './symmetries/folded.ts';
import { MIRRORED } from './symmetries/mirrored.ts';
import { ROTATED } from './symmetries/rotated.ts';
import type { SteppedCell, Symmetry } from './symmetries/symmetryKind.ts';
import { IDENTITY_OP, type SymmetryOp } from './symmetry.ts';

export type { SteppedCell } from './symmetries/symmetryKind.ts';

const SYMMETRIES = { ...MIRRORED, ...ROTATED, ...FOLDED };
const NONE: Symmetry = { ops: () => [IDENTITY_OP], plain: (repeat) => repeat };
const RECTANGLE: readonly Point[] = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];

function symmetryOf({ mirrored, rotated }: Step): Symmetry {
  const name = mirrored ?? rotated;
  return name ? SYMMETRIES[name] : NONE;
}

/**
 * What the lattice repeats: the cell itself, first, and what the step's operations show of it, in the repeat's unit.
 *
 * Together with the lattice they are one of the seventeen plane groups, so that every instance may be taken for the motif itself: a motif
 * carried over an edge looks the same everywhere before and after.
 */
export function symmetryOpsOf(cell: SteppedCell): readonly SymmetryOp[] {
  return symmetryOf(cell.step).ops(cell);
}

/** The same cloth as a repeat without operations. The same object where there are none. */
export function plainRepeat(cell: SteppedCell): SteppedCell {
  return symmetryOf(cell.step).plain(cell);
}

/** Height to width that the box around a cell has to have: of a honeycomb, or for the operations to be symmetries; undefined where it may have any. */
export function proportionOf(step: Step): number | undefined {
  if (step.honeycomb) return step.kind === 'brick' ? HEXAGON : 1 / HEXAGON;
  return symmetryOf(step).proportion;
}

/** The corners of a cell, clockwise, in the repeat's unit; the box around them lies at the origin. */
export function cellCorners({ width, height, step }: SteppedCell): readonly Point[] {
  return (symmetryOf(step).corners ?? RECTANGLE).map(({ x, y }) => ({ x: x * width, y: y * height }));
}

/** Whether a step's cells are other than upright rectangles. */
export function isFolded({ mirrored, rotated }: Pick<Step, 'mirrored' | 'rotated'>): boolean {
  return (mirrored ?? rotated ?? '') in FOLDED;
}

/** What the sides of the box around a cell have to be multiples of in pixels by a step's operations; undefined where they ask for nothing. */
export function symmetryMultiples(step: Step): Symmetry['pixelMultiples'] {
  return symmetryOf(step).pixelMultiples;
}
