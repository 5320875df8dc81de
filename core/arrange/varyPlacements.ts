import {
  type Command,
  type Design,
  matchScale,
  type Placement,
  type PlacementChange,
  withInks,
} from '../document/index.ts';
import { LARGEST_SCALE, normaliseAngle, SMALLEST_SCALE } from '../geometry/index.ts';
import type { Motif } from '../motif/index.ts';
import { seeded } from '../random/index.ts';

/** Within which limits placements are varied. */
export interface VariationPlan {
  /** Degrees to either side. */
  readonly rotation: number;
  /** Share of the size to either side, below 1. */
  readonly size: number;
  /** Share of them that is flipped, 0 to 1. */
  readonly flip: number;
  /** Motifs that they are exchanged for, as large as they were; none are where it is empty. */
  readonly pool: readonly string[];
  readonly seed: number;
}

export const NO_VARIATION_PLAN: VariationPlan = { rotation: 0, size: 0, flip: 0, pool: [], seed: 1 };

/**
 * The command that varies placements at random, each about its own place. The same seed gives the same; a limit that is
 * changed changes nothing but what it limits.
 */
export function varyPlacements(
  design: Design,
  placements: readonly Placement[],
  motifs: ReadonlyMap<string, Motif>,
  { rotation, size, flip, pool, seed }: VariationPlan,
): Command {
  const random = seeded(seed);
  const used = new Set<string>();
  const changes = placements.map((placement): [string, PlacementChange] => {
    const [turning, sizing, flipping, choosing] = [random(), random(), random(), random()] as const;
    const wished = pool[Math.floor(choosing * pool.length)];
    const [before, after] = [motifs.get(placement.motif), wished === undefined ? undefined : motifs.get(wished)];
    const scale =
      (after && before ? matchScale(placement, before, after) : placement.scale) * (1 + (sizing * 2 - 1) * size);
    if (after) used.add(after.id);
    const flipped = flipping < flip;
    return [
      placement.id,
      {
        rotation: normaliseAngle((flipped ? -placement.rotation : placement.rotation) + (turning * 2 - 1) * rotation),
        scale: Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, scale)),
        flipped: placement.flipped !== flipped,
        skew: flipped ? 0 - placement.skew : placement.skew,
        ...(after && { motif: after.id }),
      },
    ];
  });
  return withInks(
    design,
    [...used].flatMap((id) => motifs.get(id) ?? []),
    { type: 'change', changes: Object.fromEntries(changes) },
  );
}
