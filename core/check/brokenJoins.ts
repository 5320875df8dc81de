import { type PixelGrid, toFundamentalDomain } from '../lattice/index.ts';

/**
 * How many pixels of a cell are not the same where it is painted across its joins: none where the pattern runs on without a break.
 *
 * @param cell RGBA of the grid's cell, at the origin
 * @param across RGBA of as large a window of the plane that begins at `from`, whole pixels
 */
export function brokenJoins(
  cell: Uint8ClampedArray,
  across: Uint8ClampedArray,
  { cell: { width, height }, lattice }: PixelGrid,
  from: { readonly x: number; readonly y: number },
): number {
  const own = new Uint32Array(cell.buffer, cell.byteOffset, width * height);
  const other = new Uint32Array(across.buffer, across.byteOffset, width * height);
  let broken = 0;
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = toFundamentalDomain(lattice, { x: x + from.x, y: y + from.y });
      if (own[at.y * width + at.x] !== other[y * width + x]) broken += 1;
    }
  return broken;
}
