import type { Point } from '../geometry/index.ts';
import { type Cell, cellOf } from './cell.ts';
import { type LatticeVector, shortBasis } from './shortBasis.ts';
import { STEP_KINDS } from './steps/index.ts';
import { applyOpToPoint, type SymmetryOp } from './symmetry.ts';
import { plainRepeat, type SteppedCell, symmetryOpsOf } from './symmetryOps.ts';

/**
 * A fundamental domain of a lattice in the shape of an upright rectangle at the origin: 0 <= x < width, 0 <= y < height.
 *
 * One basis vector runs along an axis: b, where the domain is stacked in columns, each of which may be dropped; else a.
 */
export interface UprightDomain {
  readonly width: number;
  readonly height: number;
  readonly stacked: 'columns' | 'rows';
}

/** The points that a repeat maps onto each other, every i·a + j·b with whole i and j, and the operations between them. */
export interface Lattice {
  readonly a: Point;
  readonly b: Point;
  /** Its two shortest vectors, by which what is nearest is found however long the cell is. */
  readonly shortBasis: readonly [LatticeVector, LatticeVector];
  /** What is repeated by translation alone: the cell, and what the operations show of it. */
  readonly domain: UprightDomain;
  /** The cell itself, which the domain holds once for each operation. */
  readonly cell: Cell;
  /** The identity, first, and the operations of a mirrored or rotated step. */
  readonly ops: readonly SymmetryOp[];
}

/** Whole numbers of basis vectors. */
export interface LatticeIndex {
  readonly i: number;
  readonly j: number;
}

/** The lattice of two vectors. @throws RangeError where they are parallel */
export function latticeFrom(
  a: Point,
  b: Point,
  { domain, cell, ops }: Pick<Lattice, 'domain' | 'cell' | 'ops'>,
): Lattice {
  if (!Number.isFinite(1 / (a.x * b.y - a.y * b.x)))
    throw new RangeError(`a lattice needs two directions, got (${a.x}, ${a.y}) and (${b.x}, ${b.y})`);
  return { a, b, shortBasis: shortBasis(a, b), domain, cell, ops };
}

/**
 * The lattice of a repeat, in the repeat's own unit.
 * Square: a = (w, 0), b = (0, h). Half-drop p/q: a = (w, h·p/q). Brick p/q: b = (w·p/q, h). Of a mirrored or rotated
 * step it is that of its plain repeat.
 */
export function latticeOf(repeat: SteppedCell): Lattice {
  const { width, height, step } = plainRepeat(repeat);
  const { basis, stacked } = STEP_KINDS[step.kind];
  const { a, b } = basis(width, height, step.drop.p / step.drop.q);
  return latticeFrom(a, b, {
    domain: { width, height, stacked },
    cell: cellOf(repeat),
    ops: symmetryOpsOf(repeat),
  });
}

/** The displacement of i steps along a and j along b. */
export function latticeTranslate({ a, b }: Lattice, { i, j }: LatticeIndex): Point {
  return { x: i * a.x + j * b.x, y: i * a.y + j * b.y };
}

/** The steps that lead from the cell at the origin to the cell that holds `p`. */
export function indexOfCellAt({ a, b, domain: { width, height, stacked } }: Lattice, p: Point): LatticeIndex {
  if (stacked === 'columns') {
    const i = Math.floor(p.x / width);
    return { i, j: Math.floor((p.y - i * a.y) / height) };
  }
  const j = Math.floor(p.y / height);
  return { i: Math.floor((p.x - j * b.x) / width), j };
}

/** `p` brought into the cell at the origin: 0 <= x < width, 0 <= y < height; a point already there is returned bit for bit. */
export function toFundamentalDomain({ a, b, domain: { width, height, stacked } }: Lattice, p: Point): Point {
  if (p.x >= 0 && p.x < width && p.y >= 0 && p.y < height) return p;
  // Along the stepped axis first, since how far the other is dropped depends on the column or row that this settles.
  if (stacked === 'columns') {
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

/** How far two points are from each other, each through any of its instances and reflections; in the lattice's unit. */
export function orbitDistance(lattice: Lattice, p: Point, q: Point): number {
  let least = Infinity;
  for (const image of lattice.ops) {
    const { x, y } = applyOpToPoint(image, q);
    least = Math.min(least, latticeDistance(lattice, x - p.x, y - p.y));
  }
  return least;
}

/** How far two points are from each other, each through any of its instances. `dx`, `dy`: from the one to the other. */
export function latticeDistance({ shortBasis: [u, v] }: Lattice, dx: number, dy: number): number {
  const det = u.x * v.y - u.y * v.x;
  const s = Math.floor((dx * v.y - dy * v.x) / det);
  const t = Math.floor((u.x * dy - u.y * dx) / det);
  // The lattice point before it, along both, and the three beyond.
  const x = dx - s * u.x - t * v.x;
  const y = dy - s * u.y - t * v.y;
  return Math.sqrt(
    Math.min(
      x * x + y * y,
      (x - u.x) ** 2 + (y - u.y) ** 2,
      (x - v.x) ** 2 + (y - v.y) ** 2,
      (x - u.x - v.x) ** 2 + (y - u.y - v.y) ** 2,
    ),
  );
}

/** The steps to the lattice point that lies nearest to a displacement. */
export function nearestIndex(lattice: Lattice, to: Point): LatticeIndex {
  const [u, v] = lattice.shortBasis;
  const det = u.x * v.y - u.y * v.x;
  const s = Math.floor((to.x * v.y - to.y * v.x) / det);
  const t = Math.floor((u.x * to.y - u.y * to.x) / det);
  let best: LatticeIndex = { i: 0, j: 0 };
  let least = Infinity;
  for (const [p, q] of [
    [s, t],
    [s + 1, t],
    [s, t + 1],
    [s + 1, t + 1],
  ] as const) {
    const steps = { i: p * u.i + q * v.i, j: p * u.j + q * v.j };
    const by = latticeTranslate(lattice, steps);
    const distance = (to.x - by.x) ** 2 + (to.y - by.y) ** 2;
    if (distance < least) [least, best] = [distance, steps];
  }
  return best;
}

/** The displacement p − q brought as near to nothing as the lattice allows; lengths in the lattice's unit. */
export function nearestDifference(lattice: Lattice, p: Point, q: Point): Point {
  const [x, y] = [p.x - q.x, p.y - q.y];
  const by = latticeTranslate(lattice, nearestIndex(lattice, { x, y }));
  return { x: x - by.x, y: y - by.y };
}
