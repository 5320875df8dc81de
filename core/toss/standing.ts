import type { Placement } from '../document/placement.ts';
import { posedRounds } from './rounds.ts';
import type { Standing, Tossable } from './toss.ts';

/** What lies there and stays, as a toss has to keep clear of it. */
export function standingOf(placements: readonly Placement[], shapes: ReadonlyMap<string, Tossable>): Standing {
  const known = placements.flatMap((placement) => {
    const shape = shapes.get(placement.motif);
    return shape ? [{ placement, shape }] : [];
  });
  return {
    rounds: known.flatMap(({ placement, shape }) => posedRounds(shape.rounds, placement)),
    area: known.reduce(
      (sum, { placement: { scale, stretch }, shape }) => sum + shape.rounds.area * scale * scale * stretch,
      0,
    ),
    places: known.map(({ placement: { x, y, motif } }) => ({ x, y, motif })),
  };
}
