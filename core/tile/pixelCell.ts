import type { PixelGrid } from '../lattice/index.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';

/** A cell of whole pixels, of which the next column lies `drop` lower, or where rows are stacked the next row `drop` to the right. */
export interface PixelCell {
  readonly width: number;
  readonly height: number;
  readonly stacked: 'columns' | 'rows';
  /** Pixels, 0 to below the cell's height (width). */
  readonly drop: number;
}

/** What a grid repeats by translation alone. */
export function pixelCellOf({ lattice: { a, b, domain } }: PixelGrid): PixelCell {
  return { ...domain, drop: domain.stacked === 'columns' ? a.y : b.x };
}

/** The number of the cell's pixel, row after row, that a pixel of the endless plane shows. */
export function pixelAt({ width, height, stacked, drop }: PixelCell, x: number, y: number): number {
  return stacked === 'columns'
    ? within(y - Math.floor(x / width) * drop, height) * width + within(x, width)
    : within(y, height) * width + within(x - Math.floor(y / height) * drop, width);
}

function within(n: number, size: number): number {
  return n - Math.floor(n / size) * size;
}

/** A window of the endless plane that a cell's pixels make. */
export function windowOf(
  pixels: PixelImage,
  cell: PixelCell,
  left: number,
  top: number,
  width: number,
  height: number,
): PixelImage {
  const shown = blankPixels(width, height);
  const from = new Uint32Array(pixels.data.buffer, pixels.data.byteOffset, pixels.data.length / 4);
  const to = new Uint32Array(shown.data.buffer);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) to[y * width + x] = from[pixelAt(cell, left + x, top + y)] as number;
  return shown;
}
