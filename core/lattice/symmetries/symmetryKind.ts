import type { Point } from '../../geometry/index.ts';
import { SQUARE, type Step } from '../step.ts';
import type { SymmetryOp } from '../symmetry.ts';

/** A cell, by the box around it, and how it is stepped. */
export interface SteppedCell {
  readonly width: number;
  readonly height: number;
  readonly step: Step;
}

/** All that is particular to what a step does to a cell. Sizes are in the repeat's own unit. */
export interface Symmetry {
  /** The operations, the identity first; with the lattice of the plain repeat they are a group. */
  ops(cell: SteppedCell): readonly SymmetryOp[];
  /** The same cloth without operations: a larger cell that holds the cell and all that they show of it. */
  plain(cell: SteppedCell): SteppedCell;
  /** Height to width that the cell has to have; any where missing. */
  readonly proportion?: number;
  /** The cell's corners, clockwise, as shares of its width and height; where missing it is an upright rectangle. */
  readonly corners?: readonly Point[];
  /** What the cell's width and height have to be multiples of, in pixels, for the lattice to be whole; those of its step where missing. */
  readonly pixelMultiples?: { readonly width: number; readonly height: number };
}

/** A block of four cells, which repeats squarely. */
export function fourCells({ width, height }: SteppedCell): SteppedCell {
  return { width: 2 * width, height: 2 * height, step: SQUARE };
}
