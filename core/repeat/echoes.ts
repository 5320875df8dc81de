import type { Box } from '../geometry/box.ts';
import { cellHolding, displacement, type Lattice, type Steps } from './lattice.ts';
import type { Point } from '../geometry/point.ts';

/**
 * Every lattice step at which `box` shares area with `window`, both in the lattice's unit.
 *
 * The displacements that bring the boxes together fill an open rectangle; its lattice points are read off line by
 * line, so the cost is that of the answer. Lines run in the order of the steps, so the answer's order does not
 * depend on where the window lies.
 */
export function echoesTouching(lattice: Lattice, box: Box, window: Box): Steps[] {
  const { a, b, width, height, columns } = lattice;
  const left = window.left - box.right;
  const right = window.right - box.left;
  const top = window.top - box.bottom;
  const bottom = window.bottom - box.top;
  const found: Steps[] = [];
  if (columns) {
    for (let i = firstAbove(left, width); i * width < right; i += 1) {
      for (let j = firstAbove(top - i * a.y, height); i * a.y + j * height < bottom; j += 1) found.push({ i, j });
    }
  } else {
    for (let j = firstAbove(top, height); j * height < bottom; j += 1) {
      for (let i = firstAbove(left - j * b.x, width); j * b.x + i * width < right; i += 1) found.push({ i, j });
    }
  }
  return found;
}

/** The least whole n with n·size > limit. */
function firstAbove(limit: number, size: number): number {
  let n = Math.floor(limit / size);
  while (n * size <= limit) n += 1;
  return n;
}

/** The displacement of the echo that lies nearest to `p` when the placement itself lies at `origin`. */
export function nearestEcho(lattice: Lattice, origin: Point, p: Point): Steps {
  const from = cellHolding(lattice, { x: p.x - origin.x, y: p.y - origin.y });
  let best = from;
  let least = Infinity;
  for (let di = -1; di <= 2; di += 1) {
    for (let dj = -1; dj <= 2; dj += 1) {
      const steps = { i: from.i + di, j: from.j + dj };
      const by = displacement(lattice, steps);
      const distance = Math.hypot(origin.x + by.x - p.x, origin.y + by.y - p.y);
      if (distance < least) {
        least = distance;
        best = steps;
      }
    }
  }
  return best;
}
