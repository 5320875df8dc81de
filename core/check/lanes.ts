import type { Point } from '../geometry/index.ts';
import { greatestCommonDivisor } from '../lattice/index.ts';
import type { Coverage } from './coverage.ts';

/** A straight strip that is empty all across the cloth, and so the eye runs along it. */
export interface Lane {
  /** Whole steps along the lattice's vectors from one place in it to the next that looks the same. */
  readonly i: number;
  readonly j: number;
  /** Degrees clockwise from level, -90 to 90. */
  readonly angle: number;
  /** mm */
  readonly width: number;
  /** A point in its middle, mm. */
  readonly at: Point;
  /** mm from one of these lanes to the next beside it, middle to middle. */
  readonly apart: number;
}

/** Farther steps than this make lanes that are told from others by nobody. */
const FARTHEST = 3;
/** Bins to a place of the raster. */
const FINENESS = 2;

/**
 * The lanes that are at least so wide, the widest first: for every direction in which the lattice takes the cloth to itself
 * within three steps, the cell is projected along it, and what nothing drawn falls on is a lane. Widths are right to
 * about the diagonal of a place of the raster.
 *
 * @param least mm; @param most how many
 */
export function findLanes(coverage: Coverage, least: number, most: number): Lane[] {
  const { grid } = coverage;
  const edges = edgePlaces(coverage);
  if (edges.length === 0) return [];
  const { a, b, domain } = grid.lattice;
  const lanes: Lane[] = [];
  for (const [i, j] of directions()) {
    const [vx, vy] = [i * a.x + j * b.x, i * a.y + j * b.y];
    const length = Math.hypot(vx, vy);
    const period = (domain.width * domain.height) / length;
    // The normal's part of a place's own extent.
    const [nx, ny] = [-vy / length, vx / length];
    const half = (Math.abs(nx) + Math.abs(ny)) / 2;
    const bins = Math.max(4, Math.round(period * FINENESS));
    const per = bins / period;
    const drawn = new Int32Array(bins + 1);
    let everywhere = 0;
    for (let n = 0; n < edges.length; n += 2) {
      const t = nx * ((edges[n] as number) + 0.5) + ny * ((edges[n + 1] as number) + 0.5);
      const from = Math.floor((t - half) * per + 1e-6);
      const to = Math.ceil((t + half) * per - 1e-6);
      if (to - from >= bins) everywhere += 1;
      else mark(drawn, bins, from, to);
    }
    if (everywhere > 0) continue;
    for (const { from, to } of emptyRuns(drawn, bins)) {
      const lane = (to - from) / per / Math.sqrt(grid.scaleX * grid.scaleY);
      if (lane < least) continue;
      const t = (from + to) / 2 / per;
      const angle = (Math.atan2(vy / grid.scaleY, vx / grid.scaleX) * 180) / Math.PI;
      lanes.push({
        i,
        j,
        angle: angle > 90 ? angle - 180 : angle <= -90 ? angle + 180 : angle,
        width: lane,
        at: { x: (nx * t) / grid.scaleX, y: (ny * t) / grid.scaleY },
        apart: period / Math.sqrt(grid.scaleX * grid.scaleY),
      });
    }
  }
  return lanes.sort((p, q) => q.width - p.width).slice(0, most);
}

/** Every direction of the lattice within reach, once: the shortest step along it. */
function directions(): (readonly [number, number])[] {
  const all: (readonly [number, number])[] = [[0, 1]];
  for (let i = 1; i <= FARTHEST; i += 1) {
    for (let j = -FARTHEST; j <= FARTHEST; j += 1) if (greatestCommonDivisor(i, Math.abs(j)) === 1) all.push([i, j]);
  }
  return all;
}

/** x and y in turn of the places at which what is drawn ends; a shape's shadow is that of its edge. */
function edgePlaces({ grid, inks }: Coverage): Int32Array {
  const { width, height } = grid.cell;
  const places: number[] = [];
  for (let y = 0, at = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1, at += 1) {
      if (inks[at] === 0) continue;
      const isInside =
        x > 0 &&
        y > 0 &&
        x < width - 1 &&
        y < height - 1 &&
        inks[at - 1] !== 0 &&
        inks[at + 1] !== 0 &&
        inks[at - width] !== 0 &&
        inks[at + width] !== 0;
      if (!isInside) places.push(x, y);
    }
  }
  return Int32Array.from(places);
}

/** Counts a run of bins, round the end; as differences, so that its length costs nothing. */
function mark(drawn: Int32Array, bins: number, from: number, to: number): void {
  const start = ((from % bins) + bins) % bins;
  const end = start + to - from;
  drawn[start] = (drawn[start] as number) + 1;
  if (end <= bins) drawn[end] = (drawn[end] as number) - 1;
  else {
    drawn[0] = (drawn[0] as number) + 1;
    drawn[end - bins] = (drawn[end - bins] as number) - 1;
  }
}

/** The runs of bins with nothing in them, round the end; `to` may lie beyond it. */
function emptyRuns(drawn: Int32Array, bins: number): { from: number; to: number }[] {
  const runs: { from: number; to: number }[] = [];
  let depth = 0;
  let from = -1;
  for (let n = 0; n < bins; n += 1) {
    depth += drawn[n] as number;
    if (depth === 0 && from < 0) from = n;
    else if (depth > 0 && from >= 0) {
      runs.push({ from, to: n });
      from = -1;
    }
  }
  if (from >= 0) {
    const [first] = runs;
    if (first?.from === 0) runs[0] = { from, to: bins + first.to };
    else runs.push({ from, to: bins });
  }
  return runs;
}
