import { type Box, boxAround, cornersOfBox, growBox, type Point } from '../geometry/index.ts';
import type { Lattice } from './lattice.ts';
import type { SymmetryOp } from './symmetry.ts';

/** A point about which the cloth may be rotated without a change. */
export interface RotationCentre extends Point {
  /** How often a whole turn repeats the cloth: 2, 3, 4 or 6. */
  readonly order: number;
}

/** A line about which the cloth may be reflected without a change; of a glide it also moves along the line. */
export interface ReflectionAxis {
  /** Where it enters and leaves the window. */
  readonly from: Point;
  readonly to: Point;
  readonly glides: boolean;
}

export interface SymmetryElements {
  readonly centres: readonly RotationCentre[];
  readonly axes: readonly ReflectionAxis[];
}

/** Places nearer than this share of the lattice's shortest vector are the same. */
const NEAR = 1e-7;
/** More than a picture can show: of each kind there are no more in the answer. */
const MOST_ELEMENTS = 2000;

/**
 * The rotation centres and the axes of reflection in a window, its edges included, in the lattice's unit.
 *
 * A rotation R followed by a translation t leaves (1 − R)⁻¹·t where it is, and so for t moved by every lattice vector. The axis of a reflection lies
 * half as far from the origin as its translation goes across it; what the translation goes along it is the glide.
 */
export function symmetryElements(lattice: Lattice, window: Box): SymmetryElements {
  const [shortest] = lattice.shortBasis;
  const near = NEAR * Math.hypot(shortest.x, shortest.y);
  return {
    centres: centresIn(lattice, growBox(window, near), near),
    axes: lattice.ops.filter(({ reflected }) => reflected).flatMap((op) => axesOf(op, lattice, window, near)),
  };
}

function centresIn({ ops, a: u, b: v }: Lattice, window: Box, near: number): RotationCentre[] {
  const found: { x: number; y: number; order: number }[] = [];
  for (const { matrix, reflected, rotation } of ops) {
    if (reflected || rotation === 0) continue;
    const [a, b, c, d, e, f] = matrix;
    const det = (1 - a) * (1 - d) - b * c;
    const still = ({ x, y }: Point): Point => ({ x: ((1 - d) * x + c * y) / det, y: (b * x + (1 - a) * y) / det });
    for (const at of pointsIn(still({ x: e, y: f }), still(u), still(v), window)) {
      const known = found.find(({ x, y }) => Math.abs(x - at.x) < near && Math.abs(y - at.y) < near);
      if (known) known.order += 1;
      else if (found.length < MOST_ELEMENTS) found.push({ ...at, order: 2 });
    }
  }
  return found;
}

function axesOf({ matrix, rotation }: SymmetryOp, lattice: Lattice, window: Box, near: number): ReflectionAxis[] {
  // Reflected left to right its axis is upright; rotating it afterwards turns the axis by half as much.
  const angle = ((90 + rotation / 2) * Math.PI) / 180;
  const along = { x: Math.cos(angle), y: Math.sin(angle) };
  const inFrame = ({ x, y }: Point): Point => ({ x: y * along.x - x * along.y, y: x * along.x + y * along.y });
  const seen = boxAround(cornersOfBox(window).map(inFrame));
  // The lattice repeats along the axis within the sum of its short vectors, so the least glide of each axis is among these.
  const [u, v] = lattice.shortBasis;
  const period = Math.hypot(u.x, u.y) + Math.hypot(v.x, v.y);
  const shifts = pointsIn(inFrame({ x: matrix[4], y: matrix[5] }), inFrame(u), inFrame(v), {
    left: 2 * seen.left - near,
    right: 2 * seen.right + near,
    top: -period,
    bottom: period,
  }).sort((p, q) => p.x - q.x);
  const found: { off: number; glide: number }[] = [];
  for (const { x, y } of shifts) {
    const last = found.at(-1);
    if (last && x / 2 - last.off < near) last.glide = Math.min(last.glide, Math.abs(y));
    else if (found.length < MOST_ELEMENTS) found.push({ off: x / 2, glide: Math.abs(y) });
  }
  return found.flatMap(({ off, glide }): ReflectionAxis[] => {
    const ends = ofLine({ x: -off * along.y, y: off * along.x }, along, growBox(window, near), 100 * near);
    return ends ? [{ from: ends[0], to: ends[1], glides: glide > near }] : [];
  });
}

/** Every origin + i·u + j·v in a window. */
function pointsIn(origin: Point, u: Point, v: Point, window: Box): Point[] {
  const det = u.x * v.y - u.y * v.x;
  const steps = boxAround(
    cornersOfBox(window).map((corner) => {
      const [x, y] = [corner.x - origin.x, corner.y - origin.y];
      return { x: (x * v.y - y * v.x) / det, y: (u.x * y - u.y * x) / det };
    }),
  );
  const points: Point[] = [];
  for (let i = Math.ceil(steps.left); i <= steps.right && points.length < MOST_ELEMENTS; i += 1) {
    for (let j = Math.ceil(steps.top); j <= steps.bottom && points.length < MOST_ELEMENTS; j += 1) {
      const [x, y] = [origin.x + i * u.x + j * v.x, origin.y + i * u.y + j * v.y];
      if (x >= window.left && x <= window.right && y >= window.top && y <= window.bottom) points.push({ x, y });
    }
  }
  return points;
}

/** The part of a line in a window, by the Liang–Barsky method; undefined where less than `least` of it is. */
function ofLine(
  at: Point,
  along: Point,
  { left, top, right, bottom }: Box,
  least: number,
): readonly [Point, Point] | undefined {
  let [from, to] = [-Infinity, Infinity];
  for (const [place, step, low, high] of [
    [at.x, along.x, left, right],
    [at.y, along.y, top, bottom],
  ] as const) {
    if (Math.abs(step) < 1e-12) {
      if (place < low || place > high) return undefined;
      continue;
    }
    const ends = [(low - place) / step, (high - place) / step];
    from = Math.max(from, Math.min(...ends));
    to = Math.min(to, Math.max(...ends));
  }
  if (!(to - from > least)) return undefined;
  return [
    { x: at.x + from * along.x, y: at.y + from * along.y },
    { x: at.x + to * along.x, y: at.y + to * along.y },
  ];
}
