import type { Step } from './step.ts';

/** A cell of so many mm by so many mm, and how it is stepped. */
export interface Repeat {
  readonly width: number;
  readonly height: number;
  readonly step: Step;
}

/** Cells smaller than a button or larger than a bed sheet are slips of the hand. */
export const SMALLEST_CELL_MM = 5;
export const LARGEST_CELL_MM = 5000;
