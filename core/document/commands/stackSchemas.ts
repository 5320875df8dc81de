import { array, number, object } from 'yup';
import { idsSchema } from '../../schema/index.ts';
import { MOST_PLACEMENTS, READ_BEYOND } from '../limits.ts';
import { placementSchema } from '../placement.ts';
import { typeField } from './commandKind.ts';

export const insertSchema = object({
  type: typeField('insert'),
  /** Placements and where in the stacking order each goes, within its layer; 0 is the bottom of all. */
  placements: array(object({ index: number().integer().min(0).required(), placement: placementSchema }).noUnknown())
    .required()
    .max(MOST_PLACEMENTS),
})
  .noUnknown()
  .required();

export const removeSchema = object({ type: typeField('remove'), ids: idsSchema(READ_BEYOND * MOST_PLACEMENTS) })
  .noUnknown()
  .required();
