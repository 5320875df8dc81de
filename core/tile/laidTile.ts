import type { Point } from '../geometry/index.ts';
import { cellCorners, type PixelGrid, type SteppedCell, symmetryOpsOf } from '../lattice/index.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';
import type { FrameSampler } from './frameSampler.ts';
import { pixelCellOf } from './pixelCell.ts';

/**
 * All that a lattice repeats of a cell, each pixel taken from the place of the cell that an operation of the step brings there.
 *
 * @param cell in pixels of the grid
 * @param sample of the box around the cell
 */
export function laidTile(grid: PixelGrid, cell: SteppedCell, sample: FrameSampler): PixelImage {
  const { width, height, stacked, drop } = pixelCellOf(grid);
  const tile = blankPixels(width, height);
  const matrices = symmetryOpsOf(cell).map(({ matrix }) => matrix);
  const inside = insideOf(cellCorners(cell));
  const mixed = new Uint8ClampedArray(8);
  for (let row = 0; row < height; row += 1) {
    for (let column = 0; column < width; column += 1) {
      // Of all places that show this one, that in the cell, and that next to it. Written out, since a cloth that follows the hand has no time for points.
      let [x1, y1, most] = [0, 0, -Infinity];
      let [x2, y2, next] = [0, 0, -Infinity];
      for (const [a, b, c, d, e, f] of matrices) {
        let x = a * (column + 0.5) + c * (row + 0.5) + e;
        let y = b * (column + 0.5) + d * (row + 0.5) + f;
        if (stacked === 'columns') {
          const i = Math.floor(x / width);
          x -= i * width;
          y -= i * drop;
          y -= Math.floor(y / height) * height;
        } else {
          const j = Math.floor(y / height);
          y -= j * height;
          x -= j * drop;
          x -= Math.floor(x / width) * width;
        }
        const by = inside(x, y);
        if (by > most) {
          [x2, y2, next] = [x1, y1, most];
          [x1, y1, most] = [x, y, by];
        } else if (by > next) [x2, y2, next] = [x, y, by];
        if (most >= 0.5) break;
      }
      const to = 4 * (row * width + column);
      const own = 0.5 + most;
      if (own >= 1 || next < -1) sample(x1 / cell.width, y1 / cell.height, tile.data, to);
      else {
        // A pixel that an edge crosses shows both sides of it, each by about its share.
        sample(x1 / cell.width, y1 / cell.height, mixed, 0);
        sample(x2 / cell.width, y2 / cell.height, mixed, 4);
        mix(mixed, Math.max(0.5, own), tile.data, to);
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

/** How far inside a convex polygon a point lies at the least, below 0 where it lies outside; corners run clockwise. */
function insideOf(corners: readonly Point[]): (x: number, y: number) => number {
  const sides = corners.map((p, n) => {
    const q = corners[(n + 1) % corners.length] as Point;
    const length = Math.hypot(q.x - p.x, q.y - p.y);
    const [a, b] = [-(q.y - p.y) / length, (q.x - p.x) / length];
    return { a, b, c: -a * p.x - b * p.y };
  });
  return (x, y) => {
    let least = Infinity;
    for (const { a, b, c } of sides) {
      const by = a * x + b * y + c;
      if (by < least) least = by;
    }
    return least;
  };
}
