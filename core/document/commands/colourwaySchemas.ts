import { array, object } from 'yup';
import { idsSchema, whole } from '../../schema/index.ts';
import { colourwaySchema } from '../ink.ts';
import { MOST_COLOURWAYS, READ_BEYOND } from '../limits.ts';
import { typeField } from './commandKind.ts';

export const insertColourwaysSchema = object({
  type: typeField('insert-colourways'),
  colourways: array(
    object({
      /** Where it goes in the list; the first is the base. */
      index: whole(0, READ_BEYOND * MOST_COLOURWAYS),
      colourway: colourwaySchema,
    })
      .noUnknown()
      .required(),
  )
    .required()
    .max(READ_BEYOND * MOST_COLOURWAYS),
})
  .noUnknown()
  .required();

export const removeColourwaysSchema = object({
  type: typeField('remove-colourways'),
  ids: idsSchema(READ_BEYOND * MOST_COLOURWAYS),
})
  .noUnknown()
  .required();
