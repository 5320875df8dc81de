import { array, object, type InferType } from 'yup';
import { type Hex, hexSchema } from '../colour/index.ts';
import { type Immutable, nameSchema } from '../schema/index.ts';

/** Colours on one shelf, at the most; more than anyone can tell one from another. */
export const MOST_ON_SHELF = 200;

export const shelfInksSchema = array(object({ name: nameSchema, colour: hexSchema }).noUnknown())
  .required()
  .min(1)
  .max(MOST_ON_SHELF);

/** A named set of colours that any design can use. */
export const shelfSchema = object({ name: nameSchema, inks: shelfInksSchema }).noUnknown().required();

export type Shelf = Immutable<InferType<typeof shelfSchema>>;
export interface ShelfInk {
  readonly name: string;
  readonly colour: Hex;
}

/** A file is none of a shelf, or one that does not fit. The message is a sentence for whoever chose it. */
export class ShelfError extends Error {
  override readonly name = 'ShelfError';
}
