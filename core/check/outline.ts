import { squaredDistances } from '../geometry/index.ts';
import { type Motif, naturalHeight, type Silhouette } from '../motif/index.ts';

/** A motif's outline, as distances are measured from it; mm about its centre at its natural size, upright. */
export interface Outline {
  /** x and y in turn of places along the edge of what is drawn, those near each other together. */
  readonly points: Float32Array;
  /** Which of the points lie within a round of each other. */
  readonly stretches: readonly OutlineSpan[];
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

/** Some points of an outline, from one to before another of the array, and a round that holds them. */
export interface OutlineSpan {
  readonly from: number;
  readonly to: number;
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** Places across and down within which points are taken together. */
const STRETCH = 12;
/** Places all round the drawing; farther off, distances are told a little too large. */
const BORDER = 24;

/** @param silhouette its raster; with 160 places along the longer side distances are right to some 0.3 % of that side */
export function outlineOf({ width, height, solid }: Silhouette, motif: Pick<Motif, 'width' | 'view'>): Outline {
  const [columns, rows] = [width + 2 * BORDER, height + 2 * BORDER];
  const set = new Uint8Array(columns * rows);
  for (let y = 0; y < height; y += 1)
    set.set(solid.subarray(y * width, (y + 1) * width), (y + BORDER) * columns + BORDER);
  const [across, down] = [motif.width / width, naturalHeight(motif) / height];
  const place = Math.max(across, down);
  const outside = squaredDistances(set, columns, rows);
  const inside = squaredDistances(
    set.map((one) => 1 - one),
    columns,
    rows,
  );
  // The edge runs half a place beyond the middles of the last places that are drawn on.
  const field = Float32Array.from(
    set,
    (one, at) => (one === 1 ? 0.5 - Math.sqrt(inside[at] as number) : Math.sqrt(outside[at] as number) - 0.5) * place,
  );
  const clusters = new Map<number, number[]>();
  let reach = 0;
  for (let at = columns; at < set.length - columns; at += 1) {
    if (set[at] !== 1 || (set[at - 1] === 1 && set[at + 1] === 1 && set[at - columns] === 1 && set[at + columns] === 1))
      continue;
    const [column, row] = [at % columns, Math.floor(at / columns)];
    const x = (column - BORDER + 0.5 - width / 2) * across;
    const y = (row - BORDER + 0.5 - height / 2) * down;
    const key = Math.floor(row / STRETCH) * columns + Math.floor(column / STRETCH);
    const cluster = clusters.get(key);
    if (cluster) cluster.push(x, y);
    else clusters.set(key, [x, y]);
    reach = Math.max(reach, Math.hypot(x, y));
  }
  const points = Float32Array.from([...clusters.values()].flat());
  return {
    points,
    stretches: stretchesOf(
      points,
      [...clusters.values()].map(({ length }) => length),
    ),
    field,
    columns,
    rows,
    across,
    down,
    reach: reach + place / 2,
  };
}

/** @param lengths how many numbers of the points belong to each */
function stretchesOf(points: Float32Array, lengths: readonly number[]): OutlineSpan[] {
  let from = 0;
  return lengths.map((length) => {
    const to = from + length;
    let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
    for (let n = from; n < to; n += 2) {
      const [x, y] = [points[n] as number, points[n + 1] as number];
      [left, top, right, bottom] = [Math.min(left, x), Math.min(top, y), Math.max(right, x), Math.max(bottom, y)];
    }
    const stretch = {
      from,
      to,
      x: (left + right) / 2,
      y: (top + bottom) / 2,
      r: Math.hypot(right - left, bottom - top) / 2,
    };
    from = to;
    return stretch;
  });
}

/** How far a point is from what is drawn, mm at its natural size; below 0 within. */
export function distanceFrom({ field, columns, rows, across, down }: Outline, x: number, y: number): number {
  const u = x / across + columns / 2 - 0.5;
  const v = y / down + rows / 2 - 0.5;
  const cu = Math.min(columns - 1.001, Math.max(0, u));
  const cv = Math.min(rows - 1.001, Math.max(0, v));
  const left = Math.floor(cu);
  const top = Math.floor(cv);
  const s = cu - left;
  const t = cv - top;
  const at = top * columns + left;
  const upper = (field[at] as number) * (1 - s) + (field[at + 1] as number) * s;
  const lower = (field[at + columns] as number) * (1 - s) + (field[at + columns + 1] as number) * s;
  const within = upper * (1 - t) + lower * t;
  return u === cu && v === cv ? within : within + Math.hypot((u - cu) * across, (v - cv) * down);
}
