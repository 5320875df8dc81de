/** What a set of plates prints; shares of the tile, 0 to 1. */
export interface PlateFacts {
  /** Printed by each plate. */
  readonly coverage: readonly number[];
  /** By all of them together; over 1 where they print on each other. */
  readonly total: number;
  /** The most that is printed at one place, as a share of one full plate. */
  readonly most: number;
  /** Over the limit. */
  readonly overLimit: number;
  /** Where the cloth is printed and the plates leave paper. */
  readonly gaps: number;
  /** Where plates print on each other although nothing in the design does. */
  readonly overprints: number;
}

/** By how much of a pixel plates may miss, or meet, before it counts: a tenth. */
const SLACK = 26;

/**
 * Measures plates.
 *
 * @param plates how much of each pixel is printed, 0 to 255
 * @param painted how much of each pixel the design covers, 0 to 255
 * @param limit what may be printed at one place, as a share of one full plate
 * @param planned pixels where plates meet on purpose, for a trap; not 0 there
 */
export function measurePlates(
  plates: readonly Uint8Array[],
  painted: Uint8Array,
  limit: number,
  planned?: Uint8Array,
): PlateFacts {
  const count = painted.length;
  const sums = plates.map(() => 0);
  let [most, overLimit, gaps, overprints] = [0, 0, 0, 0];
  for (let at = 0; at < count; at++) {
    let sum = 0;
    for (let n = 0; n < plates.length; n++) {
      const shade = (plates[n] as Uint8Array)[at] as number;
      sums[n] = (sums[n] as number) + shade;
      sum += shade;
    }
    if (sum > most) most = sum;
    if (sum > 255 * limit + SLACK) overLimit += 1;
    if (sum < (painted[at] as number) - SLACK) gaps += 1;
    if (sum > (painted[at] as number) + SLACK && !planned?.[at]) overprints += 1;
  }
  const coverage = sums.map((sum) => sum / (255 * count));
  return {
    coverage,
    total: coverage.reduce((all, share) => all + share, 0),
    most: most / 255,
    overLimit: overLimit / count,
    gaps: gaps / count,
    overprints: overprints / count,
  };
}
