import { array, boolean, object, type InferType } from 'yup';
import { hexSchema } from '../colour/index.ts';
import { idSchema, type Immutable, nameSchema, recordOf } from '../schema/index.ts';
import { MOST_PRINTS } from './limits.ts';

/** A colour slot of a design. */
export const inkSchema = object({
  id: idSchema,
  name: nameSchema,
  /** The artwork colours that this ink prints; each belongs to one ink only. */
  prints: array(hexSchema).required().max(MOST_PRINTS),
  /** Those that it prints in one motif alone, whatever prints them elsewhere. */
  only: array(object({ motif: idSchema, colour: hexSchema }).noUnknown())
    .max(MOST_PRINTS)
    .optional(),
  /** Whether it has the same colour in every colourway, which nothing changes before it is unlocked. */
  locked: boolean().oneOf([true]).optional(),
})
  .noUnknown()
  .required();

export type Ink = Immutable<InferType<typeof inkSchema>>;

/** One full set of colours for the inks of a design. */
export const colourwaySchema = object({ id: idSchema, name: nameSchema, colours: recordOf(hexSchema) })
  .noUnknown()
  .required();

export type Colourway = Immutable<InferType<typeof colourwaySchema>>;
