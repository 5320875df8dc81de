import { squaredDistances } from '../geometry/distanceField.ts';
import { naturalHeight, type Motif } from '../motif/motif.ts';
import type { Silhouette } from '../motif/silhouette.ts';

/** A motif's outline, as distances are measured from it; mm about its centre at its natural size, upright. */
export interface Outline {
  /** x and y in turn, along the edge of what is drawn. */
  readonly points: Float32Array;
  /** Signed distances from what is drawn, below 0 within; a raster with a border all round, row after row. */
  readonly field: Float32Array;
  readonly columns: number;
  readonly rows: number;
  /** mm from one place of the raster to the next, across and down, which differ by its rounding. */
  readonly across: number;
  readonly down: number;
  /** Farthest that anything drawn lies from the centre. */
  readonly reach: number;
}

/** Places all round the drawing; farther off, distances are told a little too large. */
const BORDER = 24;

/** @param silhouette its raster; with 160 places along the longer side distances are right to some 0.3 % of that side */
export function outlineOf({ width, height, solid }: Silhouette, motif: Pick<Motif, 'width' | 'view'>): Outline {
  const [columns, rows] = [width + 2 * BORDER, height + 2 * BORDER];
  const set = new Uint8Array(columns * rows);
  for (let y = 0; y < height; y += 1) set.set(solid.subarray(y * width, (y + 1) * width), (y + BORDER) * columns + BORDER);
  const [across, down] = [motif.width / width, naturalHeight(motif) / height];
  const place = Math.max(across, down);
  const outside = squaredDistances(set, columns, rows);
  const inside = squaredDistances(set.map((one) => 1 - one), columns, rows);
  // The edge runs half a place beyond the middles of the last places that are drawn on.
  const field = Float32Array.from(set, (one, at) => (one === 1 ? 0.5 - Math.sqrt(inside[at] as number) : Math.sqrt(outside[at] as number) - 0.5) * place);
  const points: number[] = [];
  let reach = 0;
  for (let at = columns; at < set.length - columns; at += 1) {
    if (set[at] !== 1 || (set[at - 1] === 1 && set[at + 1] === 1 && set[at - columns] === 1 && set[at + columns] === 1)) continue;
    const x = ((at % columns) - BORDER + 0.5 - width / 2) * across;
    const y = (Math.floor(at / columns) - BORDER + 0.5 - height / 2) * down;
    points.push(x, y);
    reach = Math.max(reach, Math.hypot(x, y));
  }
  return { points: Float32Array.from(points), field, columns, rows, across, down, reach: reach + place / 2 };
}

/** How far a point is from what is drawn, mm at its natural size; below 0 within. */
export function distanceFrom({ field, columns, rows, across, down }: Outline, x: number, y: number): number {
  const [u, v] = [x / across + columns / 2 - 0.5, y / down + rows / 2 - 0.5];
  const [cu, cv] = [Math.min(columns - 1.001, Math.max(0, u)), Math.min(rows - 1.001, Math.max(0, v))];
  const [left, top] = [Math.floor(cu), Math.floor(cv)];
  const [s, t] = [cu - left, cv - top];
  const at = top * columns + left;
  const value = (n: number): number => field[n] as number;
  const within = (value(at) * (1 - s) + value(at + 1) * s) * (1 - t) + (value(at + columns) * (1 - s) + value(at + columns + 1) * s) * t;
  return u === cu && v === cv ? within : within + Math.hypot((u - cu) * across, (v - cv) * down);
}
