import { channels, type Hex } from '../colour/index.ts';
import type { PixelGrid } from '../lattice/index.ts';

/** One cell as it is printed, place by place: with its reflections where the step has some. */
export interface Coverage {
  readonly grid: PixelGrid;
  /** 0 where the ground shows, else 1 and the place of the ink in the list that it was told apart by. Row after row. */
  readonly inks: Uint8Array;
}

/** Alpha from which on a place counts as drawn on. */
const DRAWN = 32;
/** Places of the raster, at most, and to the mm. */
const MOST_PLACES = 300_000;
const FINEST = 2;

/** Places to the mm at which a cell is looked at. */
export function coverageScale({ width, height }: { readonly width: number; readonly height: number }): number {
  return Math.min(FINEST, Math.sqrt(MOST_PLACES / (width * height)));
}

/** Tells the inks in a painted cell apart: each place has the one whose colour is nearest. @param pixels RGBA, painted without a ground */
export function measureCoverage(pixels: Uint8ClampedArray, grid: PixelGrid, inks: readonly Hex[]): Coverage {
  return { grid, inks: labelNearest(pixels, inks, DRAWN) };
}

/**
 * The ink of each place, counted from 1: the one whose colour is nearest; 0 where nothing is drawn.
 *
 * @param pixels RGBA, painted without a ground
 * @param drawn alpha from which on a place counts as drawn on
 */
export function labelNearest(pixels: Uint8ClampedArray, inks: readonly Hex[], drawn: number): Uint8Array {
  const colours = inks.map(channels);
  const labels = new Uint8Array(pixels.length / 4);
  const known = new Map<number, number>();
  for (let at = 0, i = 0; at < labels.length; at += 1, i += 4) {
    if ((pixels[i + 3] as number) < drawn) continue;
    const [r, g, b] = [pixels[i] as number, pixels[i + 1] as number, pixels[i + 2] as number];
    const key = (r << 16) | (g << 8) | b;
    let label = known.get(key);
    if (label === undefined) {
      label = 1;
      let least = Infinity;
      colours.forEach((colour, n) => {
        const distance = (r - colour[0]) ** 2 + (g - colour[1]) ** 2 + (b - colour[2]) ** 2;
        if (distance < least) [least, label] = [distance, n + 1];
      });
      known.set(key, label);
    }
    labels[at] = label;
  }
  return labels;
}
