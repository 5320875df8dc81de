import type { BundleRecipe } from './bundleRecipe.ts';
import type { ScanRecipe } from './scanRecipe.ts';
import type { ShapeRecipe } from './shapeRecipe.ts';

/** Near-equal inks of a drawing printed as one. */
export interface MergedRecipe {
  readonly kind: 'merged';
  /** Content address of the artwork as it came. */
  readonly original: string;
  /** Inks no farther apart than this are one, CIEDE2000. */
  readonly within: number;
}

/** How a motif's artwork is made, so that any step can be changed later. */
export type Recipe = BundleRecipe | ShapeRecipe | ScanRecipe | MergedRecipe;

/** The motifs that a recipe is made of, each once. */
export function motifsIn(recipe: Recipe | null): string[] {
  return recipe?.kind === 'bundle' ? [...new Set(recipe.parts.map(({ motif }) => motif))] : [];
}
