import type { Point } from '../geometry/index.ts';
import { type Lattice, shortBasis } from '../lattice/index.ts';

/** A finer lattice that holds all of another: the points of a grid that closes on the cloth. */
export interface Superlattice {
  /** Its shortest vector, and the next shortest that leads to the other side. */
  readonly u: Point;
  readonly v: Point;
  /** Degrees clockwise of the shortest, 0 to below 90 where the other is square to it, else -90 to 90. */
  readonly angle: number;
  /** 1 where it is a square grid, less the longer or the more slanted its meshes are. */
  readonly squareness: number;
  /** Vectors of its own and how many steps along each lead through all its points in one cell of the other. */
  readonly through: { readonly u: Point; readonly p: number; readonly v: Point; readonly q: number };
}

/** Meshes less square than this are offered only where there are no others. */
const SQUARE_ENOUGH = 0.75;

/**
 * Every grid of so many points to the lattice's cell: its vectors are those of the lattice's own by the Hermite normal
 * forms of that index, reduced by Lagrange's steps. Those that are nearly square, by their angles; of one angle the squarest.
 */
export function superlatticesOf({ a, b }: Lattice, count: number): Superlattice[] {
  const all: Superlattice[] = [];
  for (let p = 1; p <= count; p += 1) {
    if (count % p !== 0) continue;
    const q = count / p;
    const v: Point = { x: b.x / q, y: b.y / q };
    for (let s = 0; s < p; s += 1) {
      const u: Point = { x: (a.x - s * v.x) / p, y: (a.y - s * v.y) / p };
      all.push({ ...reduced(u, v), through: { u, p, v, q } });
    }
  }
  const best = Math.max(...all.map(({ squareness }) => squareness));
  const enough = all.filter(({ squareness }) => squareness >= Math.min(SQUARE_ENOUGH, best - 1e-9));
  const kept: Superlattice[] = [];
  for (const grid of enough.sort((m, n) => n.squareness - m.squareness))
    if (!kept.some(({ angle }) => quarterApart(angle, grid.angle) < 0.01)) kept.push(grid);
  return kept.sort((m, n) => m.angle - n.angle);
}

/** Every point of a grid in one cell, from the origin. */
export function superlatticePoints({ through: { u, p, v, q } }: Superlattice): Point[] {
  return Array.from({ length: p * q }, (_, n) => ({
    x: Math.floor(n / q) * u.x + (n % q) * v.x,
    y: Math.floor(n / q) * u.y + (n % q) * v.y,
  }));
}

/** The grid whose angle is nearest to one, quarter turns alike. */
export function superlatticeNearest(grids: readonly Superlattice[], angle: number): Superlattice {
  return grids.reduce((best, superlattice) =>
    quarterApart(superlattice.angle, angle) < quarterApart(best.angle, angle) - 1e-9 ? superlattice : best,
  );
}

/** How far angles are apart, quarter turns alike; degrees. */
function quarterApart(p: number, q: number): number {
  const apart = (((p - q) % 90) + 90) % 90;
  return Math.min(apart, 90 - apart);
}

function reduced(first: Point, second: Point): Omit<Superlattice, 'through'> {
  let [u, v]: readonly Point[] = shortBasis(first, second);
  // Right handed, the first pointing to the right.
  if (u.x < -1e-9 || (Math.abs(u.x) <= 1e-9 && u.y < 0)) u = { x: -u.x, y: -u.y };
  if (u.x * v.y - u.y * v.x < 0) v = { x: -v.x, y: -v.y };
  const [long, short] = [Math.hypot(v.x, v.y), Math.hypot(u.x, u.y)];
  const squareness = (Math.abs(u.x * v.y - u.y * v.x) / (long * short)) * (short / long);
  const angle = (Math.atan2(u.y, u.x) * 180) / Math.PI;
  // Of a square grid a quarter turn changes nothing.
  return { u, v, squareness, angle: squareness > 1 - 1e-6 ? ((angle % 90) + 90 + 1e-9) % 90 : angle };
}
