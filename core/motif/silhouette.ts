/** Where a motif is solid: a coarse raster of its extent, so that picking follows the drawing and not its box. */
export interface Silhouette {
  readonly width: number;
  readonly height: number;
  /** One byte a place, row after row; 1 where the motif is drawn. */
  readonly solid: Uint8Array;
}

/** Alpha from which on a place counts as drawn. */
const DRAWN = 32;

/** @param pixels RGBA of the motif's extent */
export function silhouetteOf(pixels: Uint8ClampedArray, width: number, height: number): Silhouette {
  const solid = new Uint8Array(width * height);
  for (let i = 0; i < solid.length; i += 1) solid[i] = (pixels[i * 4 + 3] as number) >= DRAWN ? 1 : 0;
  return { width, height, solid };
}

/**
 * Whether the motif is drawn within `reach` of a place.
 *
 * @param u 0 to 1 across the extent
 * @param v 0 to 1 down it
 * @param reach in the same shares, across and down
 */
export function isSolidNear({ width, height, solid }: Silhouette, u: number, v: number, reach: { u: number; v: number }): boolean {
  const left = Math.max(0, Math.floor((u - reach.u) * width));
  const right = Math.min(width - 1, Math.floor((u + reach.u) * width));
  const top = Math.max(0, Math.floor((v - reach.v) * height));
  const bottom = Math.min(height - 1, Math.floor((v + reach.v) * height));
  for (let y = top; y <= bottom; y += 1) {
    for (let x = left; x <= right; x += 1) if (solid[y * width + x] === 1) return true;
  }
  return false;
}
