import type { Point } from '../geometry/index.ts';
import { cellCorners, type PixelGrid, type SteppedCell, symmetryOpsOf } from '../lattice/index.ts';
import { pixelCellOf } from './pixelCell.ts';

/**
 * Numbers for each pixel of a row: its place across and down in the box around the cell, 0 to 1; how much of it lies on that side of the cell's edge, ½ to 1;
 * and the place beyond the edge that shows in the rest.
 */
export const PLACE_NUMBERS = 5;

/**
 * Where in a cell what a lattice repeats of it is taken from, row after row of its pixels.
 *
 * @param cell in pixels of the grid
 * @returns writes a row's places
 */
export function cellPlaces(grid: PixelGrid, cell: SteppedCell): (row: number, to: Float64Array) => void {
  const { width, height, stacked, drop } = pixelCellOf(grid);
  const isColumns = stacked === 'columns';
  const ops = symmetryOpsOf(cell);
  const matrices = Float64Array.from(ops.flatMap(({ matrix }) => [...matrix]));
  const inside = insideOf(cellCorners(cell));
  return (row, to) => {
    const down = row + 0.5;
    for (let column = 0; column < width; column += 1) {
      const across = column + 0.5;
      // Of all places that show this one, that in the cell, and that next to it. Written out, since a cloth that follows the hand has no time for points.
      let x1 = 0;
      let y1 = 0;
      let most = -Infinity;
      let x2 = 0;
      let y2 = 0;
      let next = -Infinity;
      for (let m = 0; m < matrices.length && most < 0.5; m += 6) {
        let x = (matrices[m] as number) * across + (matrices[m + 2] as number) * down + (matrices[m + 4] as number);
        let y = (matrices[m + 1] as number) * across + (matrices[m + 3] as number) * down + (matrices[m + 5] as number);
        if (isColumns) {
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
          x2 = x1;
          y2 = y1;
          next = most;
          x1 = x;
          y1 = y;
          most = by;
        } else if (by > next) {
          x2 = x;
          y2 = y;
          next = by;
        }
      }
      const at = PLACE_NUMBERS * column;
      to[at] = x1 / cell.width;
      to[at + 1] = y1 / cell.height;
      to[at + 2] = most >= 0.5 || next < -1 ? 1 : Math.max(0.5, 0.5 + most);
      to[at + 3] = x2 / cell.width;
      to[at + 4] = y2 / cell.height;
    }
  };
}

/** How far inside a convex polygon a point lies at the least, below 0 where it lies outside; corners run clockwise. */
function insideOf(corners: readonly Point[]): (x: number, y: number) => number {
  const sides = Float64Array.from(
    corners.flatMap((p, n) => {
      const q = corners[(n + 1) % corners.length] as Point;
      const length = Math.hypot(q.x - p.x, q.y - p.y);
      const [a, b] = [-(q.y - p.y) / length, (q.x - p.x) / length];
      return [a, b, -a * p.x - b * p.y];
    }),
  );
  return (x, y) => {
    let least = Infinity;
    for (let n = 0; n < sides.length; n += 3) {
      const by = (sides[n] as number) * x + (sides[n + 1] as number) * y + (sides[n + 2] as number);
      if (by < least) least = by;
    }
    return least;
  };
}
