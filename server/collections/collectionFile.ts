import { array, number, object, string, type InferType } from 'yup';
import type { Recipe } from '../../core/recipe/index.ts';
import { between, idSchema, type Immutable, nameSchema } from '../../core/schema/index.ts';

/** The list in a collection's file. */
export const LIST_FILE = 'collection.json';
export const FORMAT = 'hevrel-collection';
/** The version that is written; 1 had neither aspect nor skew of parts, 2 other names for the fields of poses. */
export const VERSION = 3;

const path = string()
  .required()
  .max(200)
  .matches(/^[\w-]+\/[^/\\]+$/, '${path} has to name a file of this collection');

/** A motif as a collection's file has it. Paths are of files beside the list. */
const filedMotifSchema = object({
  id: idSchema,
  name: nameSchema,
  /** Natural width, mm. */
  width: between(0.1, 10_000),
  tags: array(string().trim().min(1).max(60).required()).max(50).required(),
  recipe: object().nullable().default(undefined).defined(),
  /** The file it was made from; none where the recipe says it all. */
  source: path.optional().nullable().defined(),
  /** What it looks like, for any other program. */
  svg: path,
  png: path,
});

/** What a collection's file says it holds: motifs, each after those that it is made of. */
export const collectionListSchema = object({
  format: string().oneOf([FORMAT]).required(),
  version: number().oneOf([1, 2, VERSION]).required(),
  name: nameSchema,
  motifs: array(filedMotifSchema).required().min(1).max(5000),
}).required();

export type FiledMotif = Omit<Immutable<InferType<typeof filedMotifSchema>>, 'recipe'> & {
  readonly recipe: Recipe | null;
};
export type CollectionList = Omit<Immutable<InferType<typeof collectionListSchema>>, 'motifs'> & {
  readonly motifs: readonly FiledMotif[];
};
