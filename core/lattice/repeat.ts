import { SQUARE, type Step } from './step.ts';

/** A cell of so many mm by so many mm, and how it is stepped. */
export interface Repeat {
  readonly width: number;
  readonly height: number;
  readonly step: Step;
  /** Sizes of the cell are whole multiples of this, mm, where it is given. */
  readonly module?: number;
  /** Its proportions are kept when one side is changed. */
  readonly held?: true;
}

/** Cells smaller than a button or larger than a bed sheet are slips of the hand. */
export const SMALLEST_CELL_MM = 5;
export const LARGEST_CELL_MM = 5000;

/** The same cloth as a repeat without reflections: of a cell that holds the reflected ones too. The same object where there are none. */
export function plainRepeat(repeat: Repeat): Repeat {
  const { width, height, step } = repeat;
  if (!step.mirrored) return repeat;
  return {
    width: step.mirrored === 'rows' ? width : 2 * width,
    height: step.mirrored === 'columns' ? height : 2 * height,
    step: SQUARE,
  };
}
