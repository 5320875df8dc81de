import type { Silhouette } from '../motif/index.ts';

/** A raster of what a rule says of each place, shares across and down. */
export function raster(width: number, height: number, rule: (u: number, v: number) => boolean): Silhouette {
  const solid = new Uint8Array(width * height);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) solid[y * width + x] = rule((x + 0.5) / width, (y + 0.5) / height) ? 1 : 0;
  return { width, height, solid };
}
