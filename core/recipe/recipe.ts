import { taggedUnion } from '../schema/index.ts';
import type { ArrayRecipe } from './arrayRecipe.ts';
import { FORMER_RECIPES, type FormerRecipe } from './formerRecipe.ts';
import { type MaskedRecipe, maskedRecipeSchema } from './maskedRecipe.ts';
import { type PointsRecipe, pointsRecipeSchema } from './pointsRecipe.ts';

/** How a motif's artwork is made, so that any step can be changed later. */
export type Recipe = FormerRecipe | PointsRecipe | MaskedRecipe;

/** A recipe of any kind. */
export const recipeSchema = taggedUnion(
  'kind',
  { ...FORMER_RECIPES, points: pointsRecipeSchema, masked: maskedRecipeSchema },
  'recipe',
).meta({ name: 'recipe' });

/** The ids of the motifs that a recipe is made of, each once. */
export function motifsIn(recipe: Recipe | null): string[] {
  if (recipe?.kind === 'bundle') return [...new Set(recipe.parts.map(({ motif }) => motif))];
  if (recipe?.kind === 'array') return [...new Set([recipe.motif, ...cornersIn(recipe)])];
  if (recipe?.kind === 'vine') return [...new Set(recipe.leaves.map(({ motif }) => motif))];
  return [];
}

/** The recipe with other motifs in it, each as `idOf` says. */
export function withMotifsIn<R extends Recipe>(recipe: R, idOf: (motif: string) => string): R {
  const other = <P extends { readonly motif: string }>(part: P): P => ({ ...part, motif: idOf(part.motif) });
  if (recipe.kind === 'bundle') return { ...recipe, parts: recipe.parts.map(other) };
  if (recipe.kind === 'array') {
    const { layout } = recipe;
    const corner = layout.kind === 'frame' && layout.corner !== null ? idOf(layout.corner) : null;
    return { ...recipe, motif: idOf(recipe.motif), layout: layout.kind === 'frame' ? { ...layout, corner } : layout };
  }
  if (recipe.kind === 'vine') return { ...recipe, leaves: recipe.leaves.map(other) };
  return recipe;
}

/** The address of the picture that a recipe begins with; undefined where it is made of none. */
export function pictureIn(recipe: Recipe | null): string | undefined {
  return recipe?.kind === 'scan' || recipe?.kind === 'tile' ? recipe.picture : undefined;
}

function cornersIn({ layout }: ArrayRecipe): string[] {
  return layout.kind === 'frame' && layout.corner !== null ? [layout.corner] : [];
}
