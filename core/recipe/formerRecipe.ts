import { taggedUnion } from '../schema/index.ts';
import { type ArrayRecipe, arrayRecipeSchema } from './arrayRecipe.ts';
import { type BundleRecipe, bundleRecipeSchema } from './bundleRecipe.ts';
import { type DrawnRecipe, drawnRecipeSchema } from './drawnRecipe.ts';
import { type MergedRecipe, mergedRecipeSchema } from './mergedRecipe.ts';
import { type ScanRecipe, scanRecipeSchema } from './scanRecipe.ts';
import { type ShapeRecipe, shapeRecipeSchema } from './shapeRecipe.ts';
import { type TileRecipe, tileRecipeSchema } from './tileRecipe.ts';
import { type VineRecipe, vineRecipeSchema } from './vineRecipe.ts';

/** What a motif may have been made by before its points were moved: every recipe but that. */
export type FormerRecipe =
  ArrayRecipe | BundleRecipe | ShapeRecipe | ScanRecipe | MergedRecipe | DrawnRecipe | VineRecipe | TileRecipe;

export const FORMER_RECIPES = {
  array: arrayRecipeSchema,
  bundle: bundleRecipeSchema,
  shape: shapeRecipeSchema,
  scan: scanRecipeSchema,
  merged: mergedRecipeSchema,
  drawn: drawnRecipeSchema,
  vine: vineRecipeSchema,
  tile: tileRecipeSchema,
};

export const formerRecipeSchema = taggedUnion('kind', FORMER_RECIPES, 'recipe');
