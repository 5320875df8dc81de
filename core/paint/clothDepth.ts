import { boxAroundCentre, type Design } from '../document/index.ts';
import { latticeOf } from '../lattice/index.ts';
import type { Motif } from '../motif/index.ts';

/**
 * How often motifs may lie over each other at the average spot of the cloth. Real designs come to 1 or 2, one with a motif ten cells
 * across to 100; painting takes time in proportion.
 */
export const MOST_DEPTH = 2000;

/**
 * Why a design cannot be painted, as two sentences, where its motifs are absurdly large for its cell: a motif lies over itself as
 * often as its extent holds the cell. Takes time in proportion to the placements, whatever their size.
 */
export function depthRefusal({ repeat, placements, layers }: Design, motifs: Iterable<Motif>): string | undefined {
  const hidden = new Set(layers.filter(({ shown }) => !shown).map(({ id }) => id));
  const byId = new Map([...motifs].map((motif) => [motif.id, motif]));
  const { cell } = latticeOf(repeat);
  let depth = 0;
  let deepest = { name: '', depth: 0 };
  for (const placement of placements) {
    const motif = byId.get(placement.motif);
    if (!motif || hidden.has(placement.layer)) continue;
    const { left, top, right, bottom } = boxAroundCentre(placement, motif);
    const own = ((right - left) * (bottom - top)) / cell.area;
    depth += own;
    if (own > deepest.depth) deepest = { name: motif.name, depth: own };
  }
  if (depth <= MOST_DEPTH) return undefined;
  const most = MOST_DEPTH.toLocaleString('en');
  return `Its motifs lie over each other ${Math.round(depth).toLocaleString('en')} deep, and at most ${most} can be painted. Make “${deepest.name}” smaller or the cell larger.`;
}
