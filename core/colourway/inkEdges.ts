import type { Hex } from '../colour/index.ts';

/** Along how much of a tile inks lie next to each other: lengths in pixels, by the lower label and the higher one. */
export type InkEdges = ReadonlyMap<string, number>;

/** What a pixel has that shows none of the inks alone. */
export const NO_INK = 255;
/** Softened edges are at most so many pixels wide. */
const WIDEST_EDGE = 3;

/** The key of a pair of labels. */
export const pairKey = (a: number, b: number): string => (a < b ? `${a} ${b}` : `${b} ${a}`);

/**
 * Measures a tile on the torus, so that what touches across its edges counts.
 *
 * @param labels the ink of each pixel, row after row; `NO_INK` where several are mixed
 */
export function measureEdges(labels: Uint8Array, width: number, height: number): InkEdges {
  const edges = new Map<string, number>();
  const along = (length: number, at: (n: number) => number): void => {
    let start = 0;
    while (start < length && at(start) === NO_INK) start += 1;
    if (start === length) return;
    // From each pixel of one ink to the next, over what is mixed between them, once around.
    let last = at(start);
    let mixed = 0;
    for (let n = 1; n <= length; n++) {
      const label = at((start + n) % length);
      if (label === NO_INK) {
        mixed += 1;
        continue;
      }
      if (last !== label && mixed <= WIDEST_EDGE) {
        const key = pairKey(last, label);
        edges.set(key, (edges.get(key) ?? 0) + 1);
      }
      last = label;
      mixed = 0;
    }
  };
  for (let y = 0; y < height; y++) along(width, (x) => labels[y * width + x] as number);
  for (let x = 0; x < width; x++) along(height, (y) => labels[y * width + x] as number);
  return edges;
}

/** The most inks that are told apart; the others count as none. */
const MOST_LABELS = NO_INK;

/** Colours that stand for inks while they are measured: all different, and none a mixture of two others by chance. */
export function labelColours(count: number): readonly Hex[] {
  // Multiples of an odd number are all different as 24-bit numbers.
  return Array.from({ length: count }, (_, n): Hex => {
    const colour = Math.imul(n + 1, 0x9e3779) & 0xffffff;
    return `#${colour.toString(16).padStart(6, '0')}`;
  });
}

/**
 * Says of each pixel which ink it shows.
 *
 * @param data RGBA, opaque
 * @param colours 0xRRGGBB of each ink, all different
 */
export function labelPixels(data: Uint8ClampedArray, colours: readonly number[]): Uint8Array {
  const labels = new Uint8Array(data.length / 4);
  const known = new Map(colours.slice(0, MOST_LABELS).map((colour, n) => [colour, n]));
  for (let n = 0; n < labels.length; n++) {
    const at = 4 * n;
    const colour = ((data[at] as number) << 16) | ((data[at + 1] as number) << 8) | (data[at + 2] as number);
    labels[n] = known.get(colour) ?? NO_INK;
  }
  return labels;
}
