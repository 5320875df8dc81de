import { array, object } from 'yup';
import { hexSchema } from '../../colour/index.ts';
import { idsSchema, recordOf, whole } from '../../schema/index.ts';
import { inkSchema } from '../ink.ts';
import { MOST_INKS, READ_BEYOND } from '../limits.ts';
import { typeField } from './commandKind.ts';

export const insertInksSchema = object({
  type: typeField('insert-inks'),
  inks: array(
    object({
      /** Where it goes in the list. */
      index: whole(0, READ_BEYOND * MOST_INKS),
      ink: inkSchema,
      /** Its colour by colourway. */
      colours: recordOf(hexSchema),
    })
      .noUnknown()
      .required(),
  )
    .required()
    .max(READ_BEYOND * MOST_INKS),
})
  .noUnknown()
  .required();

export const removeInksSchema = object({ type: typeField('remove-inks'), ids: idsSchema(READ_BEYOND * MOST_INKS) })
  .noUnknown()
  .required();
