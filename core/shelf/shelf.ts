import { array, object, type InferType } from 'yup';
import { type Hex, hexSchema } from '../colour/index.ts';
import { cutText, type Immutable, MOST_NAME, nameSchema } from '../schema/index.ts';

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

/** A name that no shelf has: the one given, or with a number behind it. */
export function freeShelfName(shelves: readonly Pick<Shelf, 'name'>[], name: string): string {
  const taken = new Set(shelves.map((shelf) => shelf.name));
  let free = name;
  for (let n = 2; taken.has(free); n += 1) free = `${cutText(name, MOST_NAME - 4)} ${n}`;
  return free;
}

/** A file is none of a shelf, or one that does not fit. The message is a sentence for whoever chose it. */
export class ShelfError extends Error {
  override readonly name = 'ShelfError';
}
