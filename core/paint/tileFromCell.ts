import type { PixelGrid } from '../lattice/index.ts';

/**
 * The tile laid out from the pixels of one cell: nothing is painted twice, so it cannot differ.
 *
 * @param cell tightly packed pixels of the cell, row after row
 * @param channels bytes per pixel
 * @returns tightly packed pixels of the tile
 */
export function tileFromCell(cell: Uint8Array, grid: PixelGrid, channels: number): Uint8Array {
  const { width, height } = grid.cell;
  const { a, b } = grid.lattice;
  const { columns, rows } = grid.tile;
  if (cell.length !== width * height * channels) {
    throw new RangeError(`expected ${width} × ${height} × ${channels} bytes of a cell, got ${cell.length}`);
  }
  if (columns === 1 && rows === 1) return cell;
  const out = new Uint8Array(cell.length * columns * rows);
  const rowBytes = width * channels;
  const outRow = rowBytes * columns;
  for (let y = 0; y < height * rows; y += 1) {
    const j = Math.floor(y / height);
    for (let i = 0; i < columns; i += 1) {
      const fromY = modulo(y - i * a.y, height);
      const shift = modulo(j * b.x, width) * channels;
      const start = fromY * rowBytes;
      const at = y * outRow + i * rowBytes;
      // A row shifted right by the brick's step: its end comes to its front.
      out.set(cell.subarray(start + rowBytes - shift, start + rowBytes), at);
      out.set(cell.subarray(start, start + rowBytes - shift), at + shift);
    }
  }
  return out;
}

function modulo(n: number, of: number): number {
  return ((n % of) + of) % of;
}
