import { squaredDistances } from '../geometry/index.ts';
import { applyOpToPoint, indicesTouching, type Lattice, latticeTranslate, type PixelGrid } from '../lattice/index.ts';
import type { Circle } from './circleCover.ts';

/** An empty round on the cloth: its centre in the cell, its radius, mm. */
export type Hole = Circle;

/** Where a cell is drawn on, as it is painted: what fades away, is hidden in part or lies below something else is seen for what it is. */
export interface DrawnCell {
  readonly grid: PixelGrid;
  /** One byte a pixel of the grid's cell, row after row; 1 where it is drawn on. */
  readonly solid: Uint8Array;
}

/** Alpha from which on something keeps others away: what is fainter than a quarter does not close a hole. */
export const BODY_ALPHA = 64;

/** A hole is looked for up to this share of the cell's shorter side. */
const LARGEST_SHARE = 0.5;

/**
 * The largest empty rounds of the cloth, over joins too: the largest first, each the largest that has its centre outside all before it.
 * Centres are the middles of pixels, and radii reach to the edges of drawn ones: right to about a pixel.
 *
 * @param lattice of the repeat, mm
 * @param least mm radius
 */
export function findHoles(lattice: Lattice, drawn: DrawnCell, least: number, most: number): Hole[] {
  const { grid } = drawn;
  const { width } = grid.cell;
  const radii = clearRadii(drawn, LARGEST_SHARE * Math.min(lattice.domain.width, lattice.domain.height));
  const order: number[] = [];
  for (let place = 0; place < radii.length; place += 1) if ((radii[place] as number) >= least) order.push(place);
  order.sort((a, b) => (radii[b] as number) - (radii[a] as number) || a - b);
  const taken = new Uint8Array(radii.length);
  const holes: Hole[] = [];
  for (const place of order) {
    if (taken[place] === 1) continue;
    const r = radii[place] as number;
    const x = ((place % width) + 0.5) / grid.scaleX;
    const y = (Math.floor(place / width) + 0.5) / grid.scaleY;
    holes.push({ x, y, r });
    if (holes.length >= most) break;
    for (const op of lattice.ops) take(lattice, grid, taken, { ...applyOpToPoint(op, { x, y }), r });
  }
  return holes;
}

/** Marks every pixel of the cell whose middle lies within a round, through its instances. */
function take(lattice: Lattice, { cell, scaleX, scaleY }: PixelGrid, marks: Uint8Array, { x, y, r }: Circle): void {
  const { width, height } = cell;
  const own = { left: 0, top: 0, right: lattice.domain.width, bottom: lattice.domain.height };
  for (const index of indicesTouching(lattice, { left: x - r, top: y - r, right: x + r, bottom: y + r }, own)) {
    const by = latticeTranslate(lattice, index);
    const [cx, cy] = [x + by.x, y + by.y];
    const top = Math.max(0, Math.ceil((cy - r) * scaleY - 0.5));
    for (let row = top; row <= Math.min(height - 1, (cy + r) * scaleY - 0.5); row += 1) {
      const half = Math.sqrt(Math.max(0, r * r - ((row + 0.5) / scaleY - cy) ** 2));
      const from = Math.max(0, Math.ceil((cx - half) * scaleX - 0.5));
      const to = Math.min(width - 1, Math.floor((cx + half) * scaleX - 0.5));
      if (to >= from) marks.fill(1, row * width + from, row * width + to + 1);
    }
  }
}

/**
 * How far the middle of each pixel of a cell is from what is drawn, instances included; mm, at most `reach`, and 0 on it.
 *
 * The cell is laid out as far as that reaches on all sides, which is exact: the grid's lattice is one of whole pixels.
 */
function clearRadii({ grid, solid }: DrawnCell, reach: number): Float32Array {
  const { lattice, cell, scaleX, scaleY } = grid;
  const { width, height } = cell;
  const margin = Math.ceil(reach * Math.max(scaleX, scaleY)) + 1;
  const [columns, rows] = [width + 2 * margin, height + 2 * margin];
  const laidOut = new Uint8Array(columns * rows);
  const own = { left: 0, top: 0, right: width, bottom: height };
  const around = { left: -margin, top: -margin, right: width + margin, bottom: height + margin };
  for (const index of indicesTouching(lattice, own, around)) {
    const by = latticeTranslate(lattice, index);
    const left = Math.max(0, -margin - by.x);
    const right = Math.min(width, width + margin - by.x);
    for (let y = Math.max(0, -margin - by.y); y < Math.min(height, height + margin - by.y); y += 1)
      laidOut.set(
        solid.subarray(y * width + left, y * width + right),
        (y + by.y + margin) * columns + left + by.x + margin,
      );
  }
  const squared = squaredDistances(laidOut, columns, rows);
  const pixel = 2 / (scaleX + scaleY);
  const radii = new Float32Array(width * height);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const far = Math.sqrt(squared[(y + margin) * columns + x + margin] as number) - 0.5;
      radii[y * width + x] = Math.min(reach, Math.max(0, far * pixel));
    }
  return radii;
}
