import type { Pose } from '../geometry/pose.ts';

/** One motif in a bundle, posed about the bundle's middle; x, y in mm. Parts are linked, like placements. */
export interface Part extends Pose {
  readonly motif: string;
  /** 0 to 1. */
  readonly opacity: number;
}

/** How a bundle is made: its parts, bottom to top. */
export interface BundleRecipe {
  readonly kind: 'bundle';
  readonly parts: readonly Part[];
}

/** Bundles lie in bundles at most this deep. */
export const DEEPEST_BUNDLE = 4;
/** More parts make a heavier motif than any cloth is drawn from quickly. */
export const MOST_PARTS = 500;
