/** Long side of a motif whose file names no size. */
export const NATURAL_LONG_SIDE_MM = 60;
