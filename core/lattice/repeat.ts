import { mixed, object, type InferType } from 'yup';
import { between, finite, type Immutable } from '../schema/index.ts';
import { isHexagonal } from './hexagon.ts';
import { type Step, stepSchema } from './step.ts';

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
  .test(
    'hexagon',
    'the cell of a honeycomb has the proportions of a hexagon',
    (repeat) => !repeat?.step?.honeycomb || isHexagonal(repeat),
  )
  .test(
    'quarter',
    'a cell that is rotated by quarter turns is as wide as it is high',
    (repeat) => repeat?.step?.rotated !== 'quarter' || repeat.width === repeat.height,
  );

export type Repeat = Immutable<InferType<typeof repeatSchema>>;

/** The repeat with another step: a cell that is rotated by quarter turns becomes as high as it is wide. */
export function withStep(repeat: Repeat, step: Step): Repeat {
  return step.rotated === 'quarter' ? { ...repeat, height: repeat.width, step } : { ...repeat, step };
}
