import type { PixelGrid, SteppedCell } from '../lattice/index.ts';
import type { PictureFrame } from '../recipe/index.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';
import { cellPlaces, PLACE_NUMBERS } from './cellPlaces.ts';
import { frameSampler } from './frameSampler.ts';
import { pixelCellOf } from './pixelCell.ts';

/**
 * All that a lattice repeats of a cell, each pixel taken from the place of the cell that an operation of the step brings there. A pixel that an edge of the
 * cell crosses shows both sides of it, each by about its share.
 *
 * @param cell in pixels of the grid
 * @param frame is the box around the cell
 */
export function laidTile(grid: PixelGrid, cell: SteppedCell, picture: PixelImage, frame: PictureFrame): PixelImage {
  const sample = frameSampler(picture, frame);
  const { width, height } = pixelCellOf(grid);
  const tile = blankPixels(width, height);
  const placesOfRow = cellPlaces(grid, cell);
  const places = new Float64Array(PLACE_NUMBERS * width);
  const mixed = new Uint8ClampedArray(8);
  for (let row = 0; row < height; row += 1) {
    placesOfRow(row, places);
    for (let column = 0; column < width; column += 1) {
      const from = PLACE_NUMBERS * column;
      const share = places[from + 2] as number;
      const to = 4 * (row * width + column);
      if (share === 1) sample(places[from] as number, places[from + 1] as number, tile.data, to);
      else {
        sample(places[from] as number, places[from + 1] as number, mixed, 0);
        sample(places[from + 3] as number, places[from + 4] as number, mixed, 4);
        mix(mixed, share, tile.data, to);
      }
    }
  }
  return tile;
}

/** Two colours mixed, the first by a share, each by how opaque it is. */
function mix(both: Uint8ClampedArray, share: number, to: Uint8ClampedArray, at: number): void {
  const [a, b] = [share * (both[3] as number), (1 - share) * (both[7] as number)];
  to[at + 3] = a + b;
  if (a + b <= 0) return;
  for (let c = 0; c < 3; c += 1) to[at + c] = ((both[c] as number) * a + (both[c + 4] as number) * b) / (a + b);
}
