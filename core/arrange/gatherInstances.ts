import { cornersAround, type Placement } from '../document/index.ts';
import { boxAround, type Point } from '../geometry/index.ts';
import { type Lattice, nearestDifference } from '../lattice/index.ts';
import type { Motif } from '../motif/index.ts';

type Sized = Pick<Motif, 'width' | 'view'>;

/** A placement at one of its instances, whichever it is of. */
export type PlacedPart = Omit<Placement, 'id' | 'layer' | 'blend'>;

/**
 * The placements at those of their instances that lie next to each other, so that what straddles a join is one
 * cluster: each comes to the nearest of those before it.
 */
export function gatherInstances(lattice: Lattice, placements: readonly Placement[]): Placement[] {
  const together: Placement[] = [];
  for (const placement of placements) {
    let best: Point | undefined;
    let least = Infinity;
    for (const other of together) {
      const by = nearestDifference(lattice, placement, other);
      const distance = Math.hypot(by.x, by.y);
      if (distance >= least) continue;
      least = distance;
      best = { x: other.x + by.x, y: other.y + by.y };
    }
    together.push({ ...placement, ...best });
  }
  return together;
}

/** The middle of the box around what is drawn, mm. */
export function middleOf(placements: readonly PlacedPart[], motifs: ReadonlyMap<string, Sized>): Point {
  const box = boxAround(
    placements.flatMap((placedPart) => {
      const motif = motifs.get(placedPart.motif);
      return motif
        ? cornersAround(placedPart, motif).map(({ x, y }) => ({ x: x + placedPart.x, y: y + placedPart.y }))
        : [];
    }),
  );
  return { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
}
