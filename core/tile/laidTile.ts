import type { Point } from '../geometry/index.ts';
import {
  applyOpToPoint,
  cellCorners,
  type PixelGrid,
  type SteppedCell,
  symmetryOpsOf,
  toFundamentalDomain,
} from '../lattice/index.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';
import type { FrameSampler } from './frameSampler.ts';

/**
 * All that a lattice repeats of a cell, each pixel taken from the place of the cell that an operation of the step brings there.
 *
 * @param cell in pixels of the grid
 * @param sample of the box around the cell
 */
export function laidTile(grid: PixelGrid, cell: SteppedCell, sample: FrameSampler): PixelImage {
  const { width, height } = grid.lattice.domain;
  const tile = blankPixels(width, height);
  const ops = symmetryOpsOf(cell);
  const inside = insideOf(cellCorners(cell));
  const mixed = new Uint8ClampedArray(8);
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      // Of all places that show this one, that in the cell, and that next to it.
      let [first, second]: [Point, Point] = [HERE, HERE];
      let [most, next] = [-Infinity, -Infinity];
      for (const op of ops) {
        const at = toFundamentalDomain(grid.lattice, applyOpToPoint(op, { x: x + 0.5, y: y + 0.5 }));
        const by = inside(at);
        if (by > most) [first, most, second, next] = [at, by, first, most];
        else if (by > next) [second, next] = [at, by];
        if (most >= 0.5) break;
      }
      const to = 4 * (y * width + x);
      const own = 0.5 + most;
      if (own >= 1 || next < -1) sample(first.x / cell.width, first.y / cell.height, tile.data, to);
      else {
        // A pixel that an edge crosses shows both sides of it, each by about its share.
        sample(first.x / cell.width, first.y / cell.height, mixed, 0);
        sample(second.x / cell.width, second.y / cell.height, mixed, 4);
        mix(mixed, Math.max(0.5, own), tile.data, to);
      }
    }
  }
  return tile;
}

const HERE: Point = { x: 0, y: 0 };

/** Two colours mixed, the first by a share, each by how opaque it is. */
function mix(both: Uint8ClampedArray, share: number, to: Uint8ClampedArray, at: number): void {
  const [a, b] = [share * (both[3] as number), (1 - share) * (both[7] as number)];
  to[at + 3] = a + b;
  if (a + b <= 0) return;
  for (let c = 0; c < 3; c += 1) to[at + c] = ((both[c] as number) * a + (both[c + 4] as number) * b) / (a + b);
}

/** How far inside a convex polygon a point lies at the least, below 0 where it lies outside; corners run clockwise. */
function insideOf(corners: readonly Point[]): (point: Point) => number {
  const sides = corners.map((p, n) => {
    const q = corners[(n + 1) % corners.length] as Point;
    const length = Math.hypot(q.x - p.x, q.y - p.y);
    return { a: -(q.y - p.y) / length, b: (q.x - p.x) / length, p };
  });
  return ({ x, y }) => {
    let least = Infinity;
    for (const { a, b, p } of sides) {
      const by = a * (x - p.x) + b * (y - p.y);
      if (by < least) least = by;
    }
    return least;
  };
}
