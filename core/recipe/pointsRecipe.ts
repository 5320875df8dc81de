import { array, object, string, type InferType } from 'yup';
import { addressSchema, type Immutable, orNull, whole } from '../schema/index.ts';
import { type FormerRecipe, formerRecipeSchema } from './formerRecipe.ts';

/** Paths whose points were moved, and letters of one of them, at the most. */
const [MOST_PATHS, MOST_LETTERS] = [5000, 500_000];

const movedPathSchema = object({
  /** Where it is in the artwork: the number of its node, within the groups that it lies in. */
  node: array(whole(0, 1e6)).required().min(1).max(250),
  /** Absolute M, L, Q, C and Z; empty where nothing of it is left. */
  path: string().defined().max(MOST_LETTERS),
}).noUnknown();

/** A drawing whose points were moved by hand: its artwork as it was, and the paths that are other now. */
export const pointsRecipeSchema = object({
  kind: string().oneOf(['points']).required(),
  /** Content address of the artwork whose points were moved. */
  original: addressSchema,
  paths: array(movedPathSchema).required().max(MOST_PATHS),
  /** How the artwork was made before, to go back to; null where it came from a file. */
  before: orNull<FormerRecipe>(formerRecipeSchema),
})
  .noUnknown()
  .required();

export type PointsRecipe = Immutable<InferType<typeof pointsRecipeSchema>>;
export type MovedPath = PointsRecipe['paths'][number];

/** The recipe of artwork from a file as it was. @param original its content address */
export function unmovedPoints(original: string): PointsRecipe {
  return { kind: 'points', original, paths: [], before: null };
}
