import type { Placement } from '../document/index.ts';
import { poseCircles } from './circleCover.ts';
import type { Obstacles } from './toss.ts';
import type { Tossable } from './tossTypes.ts';

/** What lies there and stays, as a toss has to keep clear of it. */
export function obstaclesOf(placements: readonly Placement[], shapes: ReadonlyMap<string, Tossable>): Obstacles {
  const known = placements.flatMap((placement) => {
    const shape = shapes.get(placement.motif);
    return shape ? [{ placement, shape }] : [];
  });
  return {
    rounds: known.flatMap(({ placement, shape }) => poseCircles(shape.rounds, placement)),
    area: known.reduce(
      (sum, { placement: { scale, aspect }, shape }) => sum + shape.rounds.area * scale * scale * aspect,
      0,
    ),
    places: known.map(({ placement: { x, y, motif } }) => ({ x, y, motif })),
  };
}
