import type { View } from '../../core/motif/index.ts';

/** Long side of a motif whose file names no size, mm. */
export const NATURAL_LONG_SIDE_MM = 60;
/** Nothing comes in thinner than this, mm: a strip of 10 × 20,000 px would be a hair. */
const THINNEST_MM = 2;
/** Nor longer than this for being thin, mm. */
const LONGEST_MM = 1000;

/** How many mm a unit of artwork counts that names no size. */
export function naturalUnit({ width, height }: View): number {
  const [long, short] = [Math.max(width, height), Math.min(width, height)];
  return Math.min(LONGEST_MM / long, Math.max(NATURAL_LONG_SIDE_MM / long, THINNEST_MM / short));
}
