import { object, string, type InferType } from 'yup';
import { picturePaletteSchema } from './picturePalette.ts';
import { addressSchema, between, type Immutable } from '../schema/index.ts';

/** Inks that lie farther apart than this, CIEDE2000, are never merged. */
export const FARTHEST_MERGE = 25;

/** Near-equal inks of a drawing printed as one, and its pictures by inks. */
export const mergedRecipeSchema = object({
  kind: string().oneOf(['merged']).required(),
  /** Content address of the artwork as it was imported. */
  original: addressSchema,
  /** Inks no farther apart than this are one, CIEDE2000. */
  within: between(0, FARTHEST_MERGE),
  palette: picturePaletteSchema,
})
  .noUnknown()
  .required();

export type MergedRecipe = Immutable<InferType<typeof mergedRecipeSchema>>;
