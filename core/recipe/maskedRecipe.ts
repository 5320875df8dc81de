import { array, object, string, type InferType } from 'yup';
import { addressSchema, between, type Immutable, orNull, taggedUnion, ofWhole } from '../schema/index.ts';
import { FORMER_RECIPES, type FormerRecipe } from './formerRecipe.ts';
import { type PointsRecipe, pointsRecipeSchema } from './pointsRecipe.ts';

/** What an area of a mask does: it hides what lies in it, shows it again, or hides all that lies outside of it. */
export const MASK_DEEDS = ['hide', 'show', 'keep'] as const;

export const MOST_MASK_AREAS = 300;
/** Letters of the outlines of one area, at the most, and of all. */
export const MOST_AREA_LETTERS = 200_000;
export const MOST_MASK_LETTERS = 1_000_000;

const maskAreaSchema = object({
  deed: string().oneOf(MASK_DEEDS).required(),
  /** Closed outlines in the artwork's own units, filled by the non-zero rule. */
  path: string().required().max(MOST_AREA_LETTERS),
}).noUnknown();

/** What a motif may have been made by before a part of it was hidden. */
export type UnmaskedRecipe = FormerRecipe | PointsRecipe;

/** A drawing of which a part is hidden: its artwork in full, and what hides it, one area after the other. */
export const maskedRecipeSchema = object({
  kind: string().oneOf(['masked']).required(),
  /** Content address of the artwork in full. */
  original: addressSchema,
  areas: array(maskAreaSchema)
    .required()
    .min(1, 'A mask needs an area.')
    .max(MOST_MASK_AREAS, `A mask has at most ${MOST_MASK_AREAS} areas.`)
    .test(
      'letters',
      'The outlines of this mask are too long.',
      ofWhole((areas) => areas.reduce((sum, { path }) => sum + path.length, 0) <= MOST_MASK_LETTERS),
    ),
  /** Over how much of the artwork's own units its edge fades. */
  softness: between(0, 1e6),
  /** How the artwork was made before, to go back to; null where it came from a file. */
  before: orNull<UnmaskedRecipe>(taggedUnion('kind', { ...FORMER_RECIPES, points: pointsRecipeSchema }, 'recipe')),
})
  .noUnknown()
  .required();

export type MaskedRecipe = Immutable<InferType<typeof maskedRecipeSchema>>;
export type MaskArea = MaskedRecipe['areas'][number];
