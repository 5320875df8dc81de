import type { Box } from '../../core/geometry/index.ts';
import { type PixelGrid, toFundamentalDomain } from '../../core/lattice/index.ts';
import { deepWave, type PatternedScene, type Scene } from '../../core/paint/index.ts';

/** A gradient with 16 bits a channel, under motifs that have 8. */
export interface DeepGround {
  /** Red, green and blue of a row of the plane, 0 to 65535, three numbers a pixel. */
  row(y: number, left: number, right: number): Uint16Array;
}

/** The ground of a scene with 16 bits a channel; undefined where it is no gradient, or a motif is blended with it, which only the canvas does. */
export function deepGround(scene: Scene, grid: PixelGrid): DeepGround | undefined {
  const { ground, placements, groups } = scene;
  if (ground?.kind !== 'gradient') return undefined;
  const isBlended = [...placements, ...groups.values()].some(({ blend }) => blend !== 'normal');
  return isBlended ? undefined : rowsOf(ground, grid);
}

function rowsOf(
  ground: Extract<PatternedScene, { readonly kind: 'gradient' | 'stripes' }>,
  grid: PixelGrid,
): DeepGround {
  const write = deepWave(ground, grid);
  const { lattice } = grid;
  return {
    row(y, left, right) {
      const out = new Uint16Array(3 * (right - left));
      for (let x = left; x < right;) {
        // Computed where it lies in the domain, so that all instances are the same to the bit.
        const own = toFundamentalDomain(lattice, { x, y });
        const count = Math.min(lattice.domain.width - own.x, right - x);
        write(own.x, own.y, count, out.subarray(3 * (x - left)));
        x += count;
      }
      return out;
    },
  };
}

/**
 * Rows of a painting with 16 bits a channel, the higher byte first, as PNG has them.
 *
 * @param data RGBA of the window, not premultiplied: motifs alone where there is a deep ground, else the whole
 * @param window whole pixels of the plane
 * @param put takes each row: its pixels, `channels` × 2 bytes each
 */
export function deepRows(
  data: Uint8ClampedArray,
  window: Box,
  channels: 3 | 4,
  ground: DeepGround | undefined,
  put: (y: number, row: Uint8Array) => void,
): void {
  const width = window.right - window.left;
  for (let y = window.top; y < window.bottom; y += 1) {
    const below = ground?.row(y, window.left, window.right);
    const row = new Uint8Array(2 * channels * width);
    for (let x = 0; x < width; x += 1) {
      const from = 4 * ((y - window.top) * width + x);
      const alpha = (data[from + 3] as number) / 255;
      for (let n = 0; n < channels; n += 1) {
        const above = 257 * (data[from + n] as number);
        const value = below && n < 3 ? Math.round(above * alpha + (below[3 * x + n] as number) * (1 - alpha)) : above;
        row[2 * (channels * x + n)] = value >> 8;
        row[2 * (channels * x + n) + 1] = value & 255;
      }
    }
    put(y, row);
  }
}
