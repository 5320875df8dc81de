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
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      let best: Point = { x: 0, y: 0 };
      let most = -Infinity;
      // Of all places that show this one, that in the cell; for one on an edge, rounded out of every cell, the least outside.
      for (const op of ops) {
        const at = toFundamentalDomain(grid.lattice, applyOpToPoint(op, { x: x + 0.5, y: y + 0.5 }));
        const by = inside(at);
        if (by > most) [most, best] = [by, at];
        if (by >= 0) break;
      }
      sample(best.x / cell.width, best.y / cell.height, tile.data, 4 * (y * width + x));
    }
  }
  return tile;
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
