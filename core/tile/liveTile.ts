import type { PixelGrid, SteppedCell } from '../lattice/index.ts';
import type { PictureFrame } from '../recipe/index.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';
import { cellPlaces, PLACE_NUMBERS } from './cellPlaces.ts';
import { frameAxes } from './frameAxes.ts';
import { pixelCellOf } from './pixelCell.ts';

/** Where each pixel of a tile comes from in its cell; the same for as long as the frame is only moved and turned. */
interface Places {
  readonly key: string;
  /** Across and down in the box around the cell, 0 to 1, for each pixel. */
  readonly at: Float32Array;
}

/**
 * Lays tiles as `laidTile` does, one after another while the frame is in the hand: where pixels come from is kept from one to the next, colours are read between
 * four pixels and not sixteen, and edges are not smoothed.
 */
export class LiveTile {
  #places: Places | undefined;

  /** @param cell in pixels of the grid */
  readonly lay = (grid: PixelGrid, cell: SteppedCell, picture: PixelImage, frame: PictureFrame): PixelImage => {
    const { width, height } = pixelCellOf(grid);
    const tile = blankPixels(width, height);
    const { at } = this.#placesOf(grid, cell);
    const data = new Uint32Array(picture.data.buffer, picture.data.byteOffset, picture.data.length / 4);
    const to = new Uint32Array(tile.data.buffer);
    const { corner, across, down } = frameAxes(frame);
    // To 1/16 of a pixel, so that all channels are mixed at once.
    const [left0, ax, dx] = [16 * corner.x - 7.5, 16 * across.x, 16 * down.x];
    const [top0, ay, dy] = [16 * corner.y - 7.5, 16 * across.y, 16 * down.y];
    const [right, bottom] = [picture.width - 1, picture.height - 1];
    for (let n = 0; n < to.length; n += 1) {
      const u = at[2 * n] as number;
      const v = at[2 * n + 1] as number;
      let px = Math.floor(left0 + u * ax + v * dx);
      let py = Math.floor(top0 + u * ay + v * dy);
      if (px < 0) px = 0;
      else if (px > 16 * right) px = 16 * right;
      if (py < 0) py = 0;
      else if (py > 16 * bottom) py = 16 * bottom;
      const left = px >> 4;
      const top = py >> 4;
      const from = top * picture.width + left;
      const beside = from + (left < right ? 1 : 0);
      const below = top < bottom ? picture.width : 0;
      to[n] = mixed(
        data[from] as number,
        data[beside] as number,
        data[from + below] as number,
        data[beside + below] as number,
        px & 15,
        py & 15,
      );
    }
    return tile;
  };

  #placesOf(grid: PixelGrid, cell: SteppedCell): Places {
    const { width, height } = pixelCellOf(grid);
    const key = JSON.stringify([width, height, cell]);
    if (this.#places?.key === key) return this.#places;
    const at = new Float32Array(2 * width * height);
    const placesOfRow = cellPlaces(grid, cell);
    const places = new Float64Array(PLACE_NUMBERS * width);
    for (let row = 0; row < height; row += 1) {
      placesOfRow(row, places);
      for (let column = 0; column < width; column += 1) {
        const n = 2 * (row * width + column);
        at[n] = places[PLACE_NUMBERS * column] as number;
        at[n + 1] = places[PLACE_NUMBERS * column + 1] as number;
      }
    }
    this.#places = { key, at };
    return this.#places;
  }
}

/** Four colours mixed by sixteenths across and down, two channels in each sum. */
function mixed(a: number, b: number, c: number, d: number, s: number, t: number): number {
  const wd = s * t;
  const wb = 16 * s - wd;
  const wc = 16 * t - wd;
  const wa = 256 - 16 * s - wc;
  const even = weighed(wa, a & LOW, wb, b & LOW, wc, c & LOW, wd, d & LOW);
  const odd = weighed(wa, (a >>> 8) & LOW, wb, (b >>> 8) & LOW, wc, (c >>> 8) & LOW, wd, (d >>> 8) & LOW);
  return ((even >>> 8) & LOW) | (odd & HIGH);
}
const LOW = 0x00ff00ff;
const HIGH = 0xff00ff00;

/** Sums modulo 2³², which none of them exceeds. */
function weighed(wa: number, a: number, wb: number, b: number, wc: number, c: number, wd: number, d: number): number {
  return (Math.imul(wa, a) + Math.imul(wb, b) + Math.imul(wc, c) + Math.imul(wd, d)) | 0;
}
