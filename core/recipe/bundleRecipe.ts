import { array, boolean, mixed, object, string, type InferType } from 'yup';
import { LARGEST_ASPECT, LARGEST_SCALE, SMALLEST_ASPECT, SMALLEST_SCALE } from '../geometry/index.ts';
import { between, idSchema, type Immutable } from '../schema/index.ts';

/** Bundles lie in bundles at most this deep. */
export const DEEPEST_BUNDLE = 4;
/** More parts make a heavier motif than any cloth is drawn from quickly. */
export const MOST_PARTS = 500;

const partSchema = object({
  motif: idSchema,
  x: between(-1e5, 1e5),
  y: between(-1e5, 1e5),
  rotation: between(-360, 360),
  // Parts of parts can lie outside what a hand could set on the cloth.
  scale: between(SMALLEST_SCALE / 1000, LARGEST_SCALE * 1000),
  aspect: between(SMALLEST_ASPECT / 1000, LARGEST_ASPECT * 1000),
  skew: between(-90, 90),
  flipped: boolean().required(),
  /** 0 to 1. */
  opacity: between(0, 1),
}).noUnknown();

/** One motif in a bundle, posed about the bundle's middle; x, y in mm. Parts are linked, like placements. */
export type Part = Immutable<InferType<typeof partSchema>>;

const PART_COMBININGS = ['join', 'cut', 'overlap'] as const;
export type PartCombining = (typeof PART_COMBININGS)[number];

/** How a bundle is made: its parts, bottom to top. */
export const bundleRecipeSchema = object({
  kind: string().oneOf(['bundle']).required(),
  parts: array(partSchema)
    .required()
    .min(1, 'A bundle needs a motif in it.')
    .max(MOST_PARTS, `A bundle holds at most ${MOST_PARTS} motifs.`),
  /**
   * What the parts make of each other: one shape in the lowest one's colour, the lowest without the others, or what of the lowest the others
   * cover. They lie over each other where missing.
   */
  combining: mixed<PartCombining>().oneOf(PART_COMBININGS).optional(),
})
  .noUnknown()
  .required();

export type BundleRecipe = Immutable<InferType<typeof bundleRecipeSchema>>;
