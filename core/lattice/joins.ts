import type { Point } from '../geometry/index.ts';
import { latticeOf, orbitDistance } from './lattice.ts';
import type { SteppedCell } from './symmetryOps.ts';

/** A place where a cell meets its neighbours. */
export interface Join {
  readonly kind: 'corner' | 'edge';
  readonly at: Point;
}

/** Places nearer to each other are the same, as a share of the cell's size. */
const SAME = 1e-6;

/** The corners of a cell and the middles of its edges, in the repeat's own unit; of those that the step maps onto each other, one. */
export function joinsOf(repeat: SteppedCell): Join[] {
  const lattice = latticeOf(repeat);
  const { corners } = lattice.cell;
  const same = SAME * Math.max(repeat.width, repeat.height);
  const joins: Join[] = [];
  const add = (kind: Join['kind'], at: Point): void => {
    if (joins.every((join) => orbitDistance(lattice, join.at, at) > same)) joins.push({ kind, at });
  };
  for (const at of corners) add('corner', at);
  for (const [n, from] of corners.entries()) {
    const to = corners[(n + 1) % corners.length] as Point;
    add('edge', { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 });
  }
  return joins;
}
