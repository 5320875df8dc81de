import type { Point } from '../geometry/point.ts';
import { imagePoint, imagesOf, type Image } from './images.ts';
import { plainRepeat, type Repeat } from './repeat.ts';

/**
 * The points that a repeat maps onto each other: every i·a + j·b with whole i and j.
 *
 * One basis vector always runs along an axis, so that the upright rectangle `width` × `height` at the origin is a
 * cell: `columns` says that b does (cells stand in columns, each column may be dropped), else a does. Where cells are
 * reflected, that rectangle holds the reflections too, and `ownWidth` × `ownHeight` is the cell's own.
 */
export interface Lattice {
  readonly a: Point;
  readonly b: Point;
  readonly width: number;
  readonly height: number;
  readonly ownWidth: number;
  readonly ownHeight: number;
  readonly columns: boolean;
  /** What is repeated: the cell itself, first, and its reflections by a mirrored step. */
  readonly images: readonly Image[];
}

/** Whole steps along the basis vectors. */
export interface Steps {
  readonly i: number;
  readonly j: number;
}

/**
 * The lattice of a repeat, in the repeat's own unit.
 * Square: a = (w, 0), b = (0, h). Half-drop p/q: a = (w, h·p/q). Brick p/q: b = (w·p/q, h). With reflected columns
 * a = (2w, 0), with reflected rows b = (0, 2h).
 */
export function latticeOf(repeat: Repeat): Lattice {
  const { width, height, step } = plainRepeat(repeat);
  const share = step.drop.p / step.drop.q;
  const brick = step.kind === 'brick';
  const dropped = step.kind === 'half-drop';
  return {
    a: { x: width, y: dropped ? height * share : 0 },
    b: { x: brick ? width * share : 0, y: height },
    width,
    height,
    ownWidth: repeat.width,
    ownHeight: repeat.height,
    columns: !brick,
    images: imagesOf(repeat),
  };
}

/** The displacement of i steps along a and j along b. */
export function displacement({ a, b }: Lattice, { i, j }: Steps): Point {
  return { x: i * a.x + j * b.x, y: i * a.y + j * b.y };
}

/** The steps that lead from the cell at the origin to the cell that holds `p`. */
export function cellHolding({ a, b, width, height, columns }: Lattice, p: Point): Steps {
  if (columns) {
    const i = Math.floor(p.x / width);
    return { i, j: Math.floor((p.y - i * a.y) / height) };
  }
  const j = Math.floor(p.y / height);
  return { i: Math.floor((p.x - j * b.x) / width), j };
}

/** `p` brought into the cell at the origin: 0 <= x < width, 0 <= y < height; a point already there is returned bit for bit. */
export function canonical({ a, b, width, height, columns }: Lattice, p: Point): Point {
  if (p.x >= 0 && p.x < width && p.y >= 0 && p.y < height) return p;
  // Along the stepped axis first, since how far the other is dropped depends on the column or row that this settles.
  if (columns) {
    const [i, x] = whole(p.x, width);
    return { x, y: whole(p.y - i * a.y, height)[1] };
  }
  const [j, y] = whole(p.y, height);
  return { x: whole(p.x - j * b.x, width)[1], y };
}

/** How many whole sizes go into the value, and what is left, at least 0 and below the size however it is rounded. */
function whole(value: number, size: number): readonly [number, number] {
  const n = Math.floor(value / size);
  const rest = value - n * size;
  if (rest >= size) return [n + 1, 0];
  return [n, rest < 0 ? 0 : rest];
}

/** How far two points are from each other, each through any of its echoes and reflections; in the lattice's unit. */
export function distanceBetween(lattice: Lattice, p: Point, q: Point): number {
  let least = Infinity;
  for (const image of lattice.images) {
    const { x, y } = imagePoint(image, q);
    least = Math.min(least, latticeDistance(lattice, x - p.x, y - p.y));
  }
  return least;
}

/** How far two points are from each other, each through any of its echoes. `dx`, `dy`: from the one to the other. */
export function latticeDistance(lattice: Lattice, dx: number, dy: number): number {
  const { a, b, width, height, columns } = lattice;
  // Brought near by whole steps, then the eight around are looked at.
  let [x, y] = [dx, dy];
  if (columns) {
    const i = Math.round(x / width);
    x -= i * width;
    y -= i * a.y;
    y -= Math.round(y / height) * height;
  } else {
    const j = Math.round(y / height);
    y -= j * height;
    x -= j * b.x;
    x -= Math.round(x / width) * width;
  }
  let least = Infinity;
  for (let i = -1; i <= 1; i += 1) {
    for (let j = -1; j <= 1; j += 1) {
      const [u, v] = [x + i * a.x + j * b.x, y + i * a.y + j * b.y];
      least = Math.min(least, u * u + v * v);
    }
  }
  return Math.sqrt(least);
}

/** The displacement p − q brought as near to nothing as the lattice allows; lengths in the lattice's unit. */
export function nearestDifference(lattice: Lattice, p: Point, q: Point): Point {
  const base = canonical(lattice, { x: p.x - q.x, y: p.y - q.y });
  let best = base;
  for (let i = -2; i <= 2; i += 1) {
    for (let j = -2; j <= 2; j += 1) {
      const by = displacement(lattice, { i, j });
      const x = base.x + by.x;
      const y = base.y + by.y;
      if (x * x + y * y < best.x * best.x + best.y * best.y) best = { x, y };
    }
  }
  return best;
}
