/** What motifs and arrangements are made by: plain data, one file a kind. */
export * from './arrayRecipe.ts';
export * from './bundleRecipe.ts';
export * from './drawnRecipe.ts';
export * from './fade.ts';
export type { FormerRecipe } from './formerRecipe.ts';
export * from './layoutRecipe.ts';
export * from './maskedRecipe.ts';
export * from './mergedRecipe.ts';
export * from './openRecipe.ts';
export * from './picturePalette.ts';
export * from './pointsRecipe.ts';
export * from './recipe.ts';
export * from './scanRecipe.ts';
export * from './shapeRecipe.ts';
export * from './tileRecipe.ts';
export * from './tossRecipe.ts';
export * from './vineRecipe.ts';
