import type { Design } from '../document/index.ts';
import type { Point } from '../geometry/index.ts';
import { applyOpToPoint, latticeOf, nearestDifference } from '../lattice/index.ts';

/** The middle of the motif that lies nearest to a point of the pattern, be it one of its repeats; undefined where there is none. */
export function nearestMotif({ repeat, placements, layers }: Design, point: Point): Point | undefined {
  const lattice = latticeOf(repeat);
  const hidden = new Set(layers.filter(({ shown }) => !shown).map(({ id }) => id));
  let best: { readonly by: Point; readonly distance: number } | undefined;
  for (const placement of placements) {
    if (hidden.has(placement.layer)) continue;
    for (const op of lattice.ops) {
      const by = nearestDifference(lattice, applyOpToPoint(op, placement), point);
      const distance = Math.hypot(by.x, by.y);
      if (!best || distance < best.distance) best = { by, distance };
    }
  }
  return best && { x: point.x + best.by.x, y: point.y + best.by.y };
}
