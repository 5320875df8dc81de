import { mixed, object, type InferType } from 'yup';
import { between, finite, type Immutable, ofWhole } from '../schema/index.ts';
import { type Step, stepSchema } from './step.ts';
import { proportionOf, type SteppedCell } from './symmetryOps.ts';

/** Cells smaller than a button or larger than a bed sheet are slips of the hand. */
export const SMALLEST_CELL_MM = 5;
export const LARGEST_CELL_MM = 5000;

/** A cell of so many mm by so many mm, and how it is stepped. */
export const repeatSchema = object({
  width: between(SMALLEST_CELL_MM, LARGEST_CELL_MM),
  height: between(SMALLEST_CELL_MM, LARGEST_CELL_MM),
  step: stepSchema,
  /** Sizes of the cell are whole multiples of this, mm, where it is given. */
  module: finite().moreThan(0).max(LARGEST_CELL_MM).optional(),
  /** Its proportions are kept when one side is changed. */
  held: mixed<true>().oneOf([true]).optional(),
})
  .noUnknown()
  .required()
  .test('proportion', 'the cell does not have the proportions that its step asks for', ofWhole(keepsProportion));

export type Repeat = Immutable<InferType<typeof repeatSchema>>;

/** Cells are off their proportion by less than this share where a size was typed or rounded. */
const TOLERANCE = 1e-6;

/** Whether the cell has the proportions that its step asks for: a square to the bit, what holds a root to the rounding. */
export function keepsProportion({ width, height, step }: SteppedCell): boolean {
  const proportion = proportionOf(step);
  if (proportion === undefined) return true;
  return Math.abs(height - width * proportion) <= (proportion === 1 ? 0 : TOLERANCE * Math.max(width, height));
}

/** The repeat with another step: as wide as it was, and as high where the step does not ask for proportions. */
export function withStep(repeat: Repeat, step: Step): Repeat {
  const proportion = proportionOf(step);
  if (proportion === undefined) return { ...repeat, step };
  // Neither side may become smaller than a cell can be.
  const width = Math.max(repeat.width, SMALLEST_CELL_MM / proportion);
  return { ...repeat, width, height: width * proportion, step };
}
