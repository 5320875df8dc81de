import { taggedUnion } from '../schema/index.ts';
import { type BundleRecipe, bundleRecipeSchema } from './bundleRecipe.ts';
import { type MergedRecipe, mergedRecipeSchema } from './mergedRecipe.ts';
import { type ScanRecipe, scanRecipeSchema } from './scanRecipe.ts';
import { type ShapeRecipe, shapeRecipeSchema } from './shapeRecipe.ts';

/** How a motif's artwork is made, so that any step can be changed later. */
export type Recipe = BundleRecipe | ShapeRecipe | ScanRecipe | MergedRecipe;

/** A recipe of any kind. */
export const recipeSchema = taggedUnion(
  'kind',
  { bundle: bundleRecipeSchema, shape: shapeRecipeSchema, scan: scanRecipeSchema, merged: mergedRecipeSchema },
  'recipe',
);

/** The ids of the motifs that a recipe is made of, each once. */
export function motifsIn(recipe: Recipe | null): string[] {
  return recipe?.kind === 'bundle' ? [...new Set(recipe.parts.map(({ motif }) => motif))] : [];
}
