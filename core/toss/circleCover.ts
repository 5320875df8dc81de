import { largestStretch, type Pose, poseMatrix, squaredDistances } from '../geometry/index.ts';
import { type Motif, naturalHeight, type Silhouette } from '../motif/index.ts';

/** A round, mm about the motif's centre at its natural size, upright. */
export interface Circle {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** A motif as the toss sees it. */
export interface CircleCover {
  /** Together they cover all that is drawn; the largest first. */
  readonly circles: readonly Circle[];
  /** mm² that is drawn. */
  readonly area: number;
  /** Farthest that anything drawn lies from the centre, mm. */
  readonly reach: number;
}

/** More rounds follow a shape more closely and take longer to look at. */
const MOST_ROUNDS = 48;
/** Bays and lines narrower than twice this share of the longer side are closed. */
const CLOSED = 0.02;
/** How much tolerance grows while a shape needs too many rounds. */
const COARSER = 1.4;
/** A place of the raster reaches so far from its middle, and what is drawn faintly may spill as far as this, in places. */
const SPILL = 1;

/**
 * Covers what is drawn of a motif by rounds, at most 48: the largest that fits, then the largest about what is left.
 * A round reaches a little beyond the outline (by one place of the raster and the tolerance), never short of it: what
 * keeps clear of the rounds keeps clear of the drawing.
 *
 * @param silhouette its raster; 256 places along the longer side follow a drawing to some 0.5 %
 */
export function coverWithCircles(
  { width, height, solid }: Silhouette,
  motif: Pick<Motif, 'width' | 'view'>,
): CircleCover {
  const across = motif.width / width;
  const down = naturalHeight(motif) / height;
  const place = Math.max(across, down);
  const border = Math.ceil(Math.max(width, height) * CLOSED) + 2;
  const [w, h] = [width + 2 * border, height + 2 * border];
  const { shape, area } = filledOut(solid, width, height, border);
  const drawn: number[] = [];
  shape.forEach((one, at) => one === 1 && drawn.push(at));
  if (drawn.length === 0) {
    const r = Math.hypot(motif.width, naturalHeight(motif)) / 2;
    return { circles: [{ x: 0, y: 0, r }], area: 0, reach: r };
  }
  const depth = squaredDistances(
    shape.map((one) => 1 - one),
    w,
    h,
  );
  drawn.sort((a, b) => (depth[b] as number) - (depth[a] as number) || a - b);
  let covers: { at: number; radius: number }[] = [];
  for (let tolerance = 0.4; ; tolerance *= COARSER) {
    covers = covered(drawn, depth, w, h, tolerance);
    if (covers.length <= MOST_ROUNDS) break;
  }
  const circles = covers.map(({ at, radius }): Circle => ({
    x: ((at % w) - border + 0.5 - width / 2) * across,
    y: (Math.floor(at / w) - border + 0.5 - height / 2) * down,
    r: (radius + SPILL) * place,
  }));
  return {
    circles,
    area: area * across * down,
    reach: Math.max(...circles.map(({ x, y, r }) => Math.hypot(x, y) + r)),
  };
}

/**
 * The shape without what nothing could lie in: carved lines and bays narrower than twice `CLOSED` are closed (grown, and
 * shrunk back), holes are filled.
 *
 * @param border places all round, so that it can grow
 * @returns 1 in the shape, row after row of the bordered raster; and how many places are drawn on
 */
function filledOut(
  solid: Uint8Array,
  width: number,
  height: number,
  border: number,
): { shape: Uint8Array; area: number } {
  const [w, h] = [width + 2 * border, height + 2 * border];
  const set = new Uint8Array(w * h);
  let area = 0;
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      if (solid[y * width + x] !== 1) continue;
      set[(y + border) * w + x + border] = 1;
      area += 1;
    }
  }
  if (area === 0) return { shape: set, area };
  const square = (border - 2) ** 2;
  const grown = squaredDistances(set, w, h);
  const outside = Uint8Array.from(grown, (one) => (one > square ? 1 : 0));
  const back = squaredDistances(outside, w, h);
  // What cannot be reached from the edge is within.
  const open = new Uint8Array(w * h);
  const waiting = [0];
  open[0] = 1;
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    const x = at % w;
    for (const next of [x > 0 ? at - 1 : -1, x < w - 1 ? at + 1 : -1, at - w, at + w]) {
      if (next < 0 || next >= w * h || open[next] === 1 || set[next] === 1 || (back[next] as number) > square) continue;
      open[next] = 1;
      waiting.push(next);
    }
  }
  return { shape: open.map((one) => 1 - one), area };
}

/** Rounds about places in the order given, each about the first that none before it covers; radii in places, or too many of them. */
function covered(
  order: readonly number[],
  depth: Float64Array,
  w: number,
  h: number,
  tolerance: number,
): { at: number; radius: number }[] {
  const done = new Uint8Array(w * h);
  const found: { at: number; radius: number }[] = [];
  for (const at of order) {
    if (done[at] === 1) continue;
    const radius = Math.sqrt(depth[at] as number) - 0.5 + tolerance;
    found.push({ at, radius });
    if (found.length > MOST_ROUNDS) return found;
    const [cx, cy] = [at % w, Math.floor(at / w)];
    const most = Math.floor(radius);
    for (let y = Math.max(0, cy - most); y <= Math.min(h - 1, cy + most); y += 1) {
      const half = Math.floor(Math.sqrt(radius * radius - (y - cy) * (y - cy)));
      done.fill(1, y * w + Math.max(0, cx - half), y * w + Math.min(w - 1, cx + half) + 1);
    }
  }
  return found;
}

/** The rounds of something that lies by a pose, on the plane; one that is stretched or slanted has rounds as large as its longest way. */
export function poseCircles({ circles }: CircleCover, pose: Pose): Circle[] {
  const matrix = poseMatrix(pose);
  const [a, b, c, d, e, f] = matrix;
  const longest = largestStretch(matrix);
  return circles.map(({ x, y, r }) => ({ x: a * x + c * y + e, y: b * x + d * y + f, r: r * longest }));
}
