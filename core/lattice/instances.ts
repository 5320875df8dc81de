import type { Box, Point } from '../geometry/index.ts';
import { type Lattice, type LatticeIndex, latticeTranslate, nearestIndex } from './lattice.ts';

/** More than lie in any window that is looked at; what a motif absurdly large for its cell comes to beyond has no use. */
export const MOST_INSTANCES = 500_000;

/**
 * Every lattice step at which `box` shares area with `window`, both in the lattice's unit.
 *
 * The displacements that bring the boxes together fill an open rectangle; its lattice points are read off line by
 * line, so the cost is that of the answer. Lines run in the order of the steps, so the answer's order does not
 * depend on where the window lies. It ends after MOST_INSTANCES.
 */
export function indicesTouching(lattice: Lattice, box: Box, window: Box): LatticeIndex[] {
  const { a, b, domain } = lattice;
  const { width, height } = domain;
  const left = window.left - box.right;
  const right = window.right - box.left;
  const top = window.top - box.bottom;
  const bottom = window.bottom - box.top;
  const indexes: LatticeIndex[] = [];
  if (domain.stacked === 'columns') {
    for (let i = firstAbove(left, width); i * width < right && indexes.length < MOST_INSTANCES; i += 1) {
      for (let j = firstAbove(top - i * a.y, height); i * a.y + j * height < bottom; j += 1) indexes.push({ i, j });
    }
  } else {
    for (let j = firstAbove(top, height); j * height < bottom && indexes.length < MOST_INSTANCES; j += 1) {
      for (let i = firstAbove(left - j * b.x, width); j * b.x + i * width < right; i += 1) indexes.push({ i, j });
    }
  }
  return indexes;
}

/** The least whole n with n·size > limit. */
function firstAbove(limit: number, size: number): number {
  let n = Math.floor(limit / size);
  while (n * size <= limit) n += 1;
  return n;
}

/** The displacement of the instance that lies nearest to `p` when the placement itself lies at `origin`. */
export function nearestInstanceIndex(lattice: Lattice, origin: Point, p: Point): LatticeIndex {
  return nearestIndex(lattice, { x: p.x - origin.x, y: p.y - origin.y });
}

/** Everything that a displacement is by the lattice that is shorter than `far`, in the lattice's unit. */
export function translatesWithin(lattice: Lattice, { x, y }: Point, far: number): Point[] {
  return indicesTouching(
    lattice,
    { left: x, top: y, right: x, bottom: y },
    { left: -far, top: -far, right: far, bottom: far },
  ).flatMap((steps) => {
    const by = latticeTranslate(lattice, steps);
    const [dx, dy] = [x + by.x, y + by.y];
    return dx * dx + dy * dy < far * far ? [{ x: dx, y: dy }] : [];
  });
}
