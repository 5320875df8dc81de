import type { PixelImage } from '../scan/index.ts';
import { type PixelCell, pixelAt } from './pixelCell.ts';
import { seamPath } from './seamPath.ts';

/** A cell whose pixels are all taken from a picture. */
export interface JoinedCell {
  readonly cell: PixelCell;
  /** For each pixel of the cell, row after row, the number of the picture's pixel that it is. */
  readonly source: Int32Array;
}

/**
 * A picture laid over itself by a lattice, cut where it lies twice along the path on which it differs least from itself. First each column is
 * closed from top to bottom, then the columns are joined side by side, each `drop` lower than the one before; of stacked rows the other way round.
 *
 * @param cell narrower and lower than the picture, by no more than half of it
 * @throws RangeError where the picture does not lie over itself on every side, or more than half of it does
 */
export function joinedCell(picture: PixelImage, cell: PixelCell): JoinedCell {
  const [ox, oy] = [picture.width - cell.width, picture.height - cell.height];
  if (ox < 2 || oy < 2 || 2 * ox > picture.width || 2 * oy > picture.height)
    throw new RangeError(
      `a picture of ${picture.width} × ${picture.height} pixels has to lie over a cell by 2 pixels to half of it, got ${cell.width} × ${cell.height}`,
    );
  if (cell.stacked === 'columns') return { cell, source: joinedColumns(picture, cell, (n) => n) };
  // Rows are the columns of the picture laid on its side.
  const source = joinedColumns(
    { width: picture.height, height: picture.width, data: picture.data },
    { width: cell.height, height: cell.width, stacked: 'columns', drop: cell.drop },
    (n) => (n % picture.height) * picture.width + Math.floor(n / picture.height),
  );
  const turned = new Int32Array(source.length);
  for (let y = 0; y < cell.height; y += 1)
    for (let x = 0; x < cell.width; x += 1) turned[y * cell.width + x] = source[x * cell.height + y] as number;
  return { cell, source: turned };
}

/** @param pixelOf the number of the picture's pixel of a number row after row */
function joinedColumns(
  { width: W, height: H, data }: PixelImage,
  { width, height, drop }: PixelCell,
  pixelOf: (n: number) => number,
): Int32Array {
  const [ox, oy] = [W - width, H - height];
  // Closed from top to bottom: the strip runs across, so a row of it is a column of pixels.
  const lid = mismatch(data, oy, W, (y, x) => [pixelOf(y * W + x), pixelOf((y + height) * W + x)], false);
  const cut = seamPath(lid, oy, W, false);
  const column = new Int32Array(W * height);
  for (let x = 0; x < W; x += 1)
    for (let y = 0; y < height; y += 1) column[y * W + x] = pixelOf((y < (cut[x] as number) ? y + height : y) * W + x);
  // Joined side by side: what the column before shows here lies `drop` farther down in it.
  const beside = (x: number, y: number): number => column[((y + drop) % height) * W + x + width] as number;
  const strip = mismatch(data, ox, height, (x, y) => [column[y * W + x] as number, beside(x, y)], true);
  const path = seamPath(strip, ox, height, true);
  const source = new Int32Array(width * height);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1)
      source[y * width + x] = x < ox && x < (path[y] as number) ? beside(x, y) : (column[y * W + x] as number);
  return source;
}

/** How much a level of difference counts that is the same all along the cut, and can be spread, beside one that changes along it. */
const EVEN_DIFFERENCE = 0.15;

/**
 * How ill two pictures fit at each place of a strip, row after row: by how much their difference changes from place to place, and a little by the difference itself.
 *
 * @param pair the numbers of the two pixels that lie at a place of the strip
 */
function mismatch(
  data: Uint8ClampedArray,
  width: number,
  height: number,
  pair: (along: number, row: number) => readonly [number, number],
  closed: boolean,
): Float32Array {
  const difference = new Int16Array(4 * width * height);
  for (let row = 0; row < height; row += 1)
    for (let n = 0; n < width; n += 1) {
      const [a, b] = pair(n, row);
      for (let c = 0; c < 4; c += 1)
        difference[4 * (row * width + n) + c] = (data[4 * a + c] as number) - (data[4 * b + c] as number);
    }
  const cost = new Float32Array(width * height);
  for (let row = 0; row < height; row += 1) {
    const above = row > 0 ? row - 1 : closed ? height - 1 : 0;
    for (let n = 0; n < width; n += 1) {
      const [here, left, up] = [row * width + n, row * width + Math.max(0, n - 1), above * width + n];
      let sum = 0;
      for (let c = 0; c < 4; c += 1) {
        const by = difference[4 * here + c] as number;
        sum +=
          Math.abs(by - (difference[4 * left + c] as number)) +
          Math.abs(by - (difference[4 * up + c] as number)) +
          EVEN_DIFFERENCE * Math.abs(by);
      }
      cost[here] = sum;
    }
  }
  return cost;
}

/** The number of a cell's pixel to the right of one, or below it, on the endless plane. */
export function neighbourOf(cell: PixelCell, x: number, y: number, down: boolean): number {
  return down ? pixelAt(cell, x, y + 1) : pixelAt(cell, x + 1, y);
}
