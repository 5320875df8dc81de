import type { Placement } from '../document/index.ts';
import { LARGEST_SCALE, SMALLEST_SCALE } from '../geometry/index.ts';
import { type Motif, naturalHeight } from '../motif/index.ts';
import type { PlacementChanges } from './align.ts';

type Sized = Pick<Motif, 'width' | 'view'>;
export type Measure = 'width' | 'height' | 'area';

/** Gives placements the width, height or area (of their own, however they are turned) of the first of them. */
export function matchSize(
  placements: readonly Placement[],
  motifs: ReadonlyMap<string, Sized>,
  measure: Measure,
): PlacementChanges {
  const [first] = placements;
  const model = first && motifs.get(first.motif);
  if (!first || !model) return {};
  const wanted = measured(first, model, measure) * first.scale;
  return Object.fromEntries(
    placements.flatMap((placement) => {
      const own = motifs.get(placement.motif);
      return own
        ? [
            [
              placement.id,
              { scale: Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, wanted / measured(placement, own, measure))) },
            ],
          ]
        : [];
    }),
  );
}

/** Exchanges the places of two, and nothing else of them. */
export function swapPlaces([a, b]: readonly [Placement, Placement]): PlacementChanges {
  return { [a.id]: { x: b.x, y: b.y }, [b.id]: { x: a.x, y: a.y } };
}

/** A length at the scale 1: of an area, the side of the square that is as large. */
function measured({ aspect }: Placement, motif: Sized, measure: Measure): number {
  const height = naturalHeight(motif) * aspect;
  return measure === 'width' ? motif.width : measure === 'height' ? height : Math.sqrt(motif.width * height);
}
