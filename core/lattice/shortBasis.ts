import type { Point } from '../geometry/index.ts';

/** A vector of a lattice, and how many steps along a and b it is. */
export interface LatticeVector extends Point {
  readonly i: number;
  readonly j: number;
}

/**
 * The shortest vector of the lattice of a and b, and the shortest that leads to another side: Lagrange's reduction in the
 * plane. Between 60° and 120° lie between the two, so of any point one of the four lattice points about it is the nearest.
 */
export function shortBasis(a: Point, b: Point): readonly [LatticeVector, LatticeVector] {
  let u: LatticeVector = { ...a, i: 1, j: 0 };
  let v: LatticeVector = { ...b, i: 0, j: 1 };
  for (;;) {
    if (u.x * u.x + u.y * u.y > v.x * v.x + v.y * v.y) [u, v] = [v, u];
    const n = Math.round((u.x * v.x + u.y * v.y) / (u.x * u.x + u.y * u.y));
    if (n === 0) break;
    const shorter = { x: v.x - n * u.x, y: v.y - n * u.y, i: v.i - n * u.i, j: v.j - n * u.j };
    // Of two that are as long, rounding might take the one for the other for ever.
    if (shorter.x * shorter.x + shorter.y * shorter.y >= (v.x * v.x + v.y * v.y) * (1 - 1e-12)) break;
    v = shorter;
  }
  return [u, v];
}
