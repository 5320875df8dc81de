import { cornersAround, type Placement } from '../document/index.ts';
import { boxAround, composePoses, inversePose, normaliseAngle, type Point, type Pose } from '../geometry/index.ts';
import { type Lattice, nearestDifference } from '../lattice/index.ts';
import type { Motif } from '../motif/index.ts';
import type { Part } from '../recipe/index.ts';

type Sized = Pick<Motif, 'width' | 'view'>;

/** What becomes a part: a placement, at the appearance that is meant. */
type PlacedPart = Omit<Placement, 'id' | 'layer' | 'blend'>;

/**
 * The placements at those of their appearances that lie next to each other, so that what straddles a join is one
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

/** The parts that, posed by `about`, lie where the placements lie. */
export function partsAbout(placements: readonly PlacedPart[], about: Pose): Part[] {
  const back = inversePose(about);
  return placements.map(({ motif, opacity, ...one }) => {
    const { x, y, rotation, scale, aspect, skew, flipped } = composePoses(back, one);
    return { motif, opacity, x, y, rotation: normaliseAngle(rotation), scale, aspect, skew, flipped };
  });
}
