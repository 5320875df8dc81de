import { applyOpToPoint, applyOpToPose, IDENTITY_OP, type Lattice, latticeDistance } from '../lattice/index.ts';
import type { Placement } from './placement.ts';

/** What the lattice repeats of a placement: itself, or how an operation shows it. */
export interface Shown {
  /** Bears the id of the placement. */
  readonly placement: Placement;
  /** The number of the placement, and of the operation. */
  readonly of: number;
  readonly op: number;
}

/** Places nearer than this are the same, mm: what is snapped to an axis is off it by rounding alone. */
const SAME_PLACE = 1e-6;

/**
 * All that the lattice repeats: each placement and, directly above it, how the operations show it. What lies on an axis or a
 * centre is shown there once, as it is stored, and not once more for every operation that leaves it where it is.
 */
export function shownBy(lattice: Lattice, placements: readonly Placement[]): readonly Shown[] {
  return placements.flatMap((placement, of) =>
    distinctOps(lattice, placement).map((op) => ({
      placement: applyOpToPose(lattice.ops[op] ?? IDENTITY_OP, placement),
      of,
      op,
    })),
  );
}

/** The placements that the lattice repeats; the same array where there are no operations. */
export function withSymmetry(lattice: Lattice, placements: readonly Placement[]): readonly Placement[] {
  return lattice.ops.length === 1 ? placements : shownBy(lattice, placements).map(({ placement }) => placement);
}

/** The numbers of the operations that show a placement each at another place, the first of those that show it at the same. */
function distinctOps(lattice: Lattice, placement: Placement): number[] {
  const places = lattice.ops.map((op) => applyOpToPoint(op, placement));
  const isSame = (n: number, m: number): boolean => {
    const [p, q] = [places[n], places[m]];
    return p !== undefined && q !== undefined && latticeDistance(lattice, q.x - p.x, q.y - p.y) < SAME_PLACE;
  };
  const all = [...places.keys()];
  // The operations are a group, so where none leaves it where it is they show it at as many places.
  return all.some((n) => n > 0 && isSame(0, n)) ? all.filter((n) => !all.some((m) => m < n && isSame(m, n))) : all;
}
