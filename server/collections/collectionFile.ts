import { array, number, object, string } from 'yup';
import { idSchema, nameSchema } from '../../core/document/schema.ts';
import { recipeSchema } from '../../core/recipe/recipeSchema.ts';
import type { Recipe } from '../../core/recipe/recipe.ts';

/** The list in a collection's file. */
export const LIST_FILE = 'collection.json';
export const FORMAT = 'hevrel-collection';

/** A motif as a collection's file has it. Paths are of files beside the list. */
export interface FiledMotif {
  readonly id: string;
  readonly name: string;
  /** Natural width, mm. */
  readonly width: number;
  readonly tags: readonly string[];
  readonly recipe: Recipe | null;
  /** The file it was made from; none where the recipe says it all. */
  readonly source: string | null;
  /** What it looks like, for any other program. */
  readonly svg: string;
  readonly png: string;
}

/** What a collection's file says it holds: motifs, each after those that it is made of. */
export interface CollectionList {
  readonly format: typeof FORMAT;
  readonly version: 2;
  readonly name: string;
  readonly motifs: readonly FiledMotif[];
}

const path = string()
  .required()
  .max(200)
  .matches(/^[\w-]+\/[^/\\]+$/, '${path} has to name a file of this collection');

export const collectionListSchema = object({
  format: string().oneOf([FORMAT]).required(),
  version: number().oneOf([1, 2]).required(),
  name: nameSchema,
  motifs: array(
    object({
      id: idSchema,
      name: nameSchema,
      width: number().min(0.1).max(10_000).required(),
      tags: array(string().trim().min(1).max(60).required()).max(50).required(),
      recipe: object().nullable().default(undefined).defined(),
      source: path.optional().nullable().defined(),
      svg: path,
      png: path,
    }),
  )
    .required()
    .min(1)
    .max(5000),
}).required();

/** A recipe of the list, looked at as closely as any other. @throws ValidationError */
export function checkedRecipe(recipe: unknown): Recipe | null {
  return recipe === null ? null : (recipeSchema.validateSync(brought(recipe), { strict: true }) as Recipe);
}

/** In files of version 1, parts were neither stretched nor slanted. */
function brought(recipe: unknown): unknown {
  const { parts } = Object(recipe) as { parts?: unknown };
  return Array.isArray(parts)
    ? { ...Object(recipe), parts: parts.map((part: unknown) => ({ aspect: 1, skew: 0, ...Object(part) })) }
    : recipe;
}
