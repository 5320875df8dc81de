import { normaliseAngle, type Point } from '../geometry/index.ts';
import { type Lattice, orbitDistance } from '../lattice/index.ts';
import { seeded } from '../random/index.ts';
import { rotationFor, type TossRecipe } from '../recipe/index.ts';
import type { Hole } from './holes.ts';
import type { Tossable, TossedMotif } from './tossTypes.ts';

/**
 * Fillers of the recipe for holes: in each the one that fills it best, grown to fit within its limits and keeping the gap, another
 * than lies nearest where that can be had. A hole that nothing fits into is left out.
 *
 * @param lie what lies on the cloth, by motif
 */
export function fillHoles(
  lattice: Lattice,
  holes: readonly Hole[],
  recipe: TossRecipe,
  motifs: ReadonlyMap<string, Tossable>,
  lie: readonly (Point & { readonly motif: string })[],
): TossedMotif[] {
  const random = seeded(recipe.seed);
  const fillers = recipe.entries.filter(({ role }) => role === 'filler');
  const entries = fillers.length > 0 ? fillers : recipe.entries;
  const here = [...lie];
  const laid: TossedMotif[] = [];
  for (const { x, y, r } of holes) {
    const share = random();
    const fitting = entries.flatMap(({ motif, smallest, largest }) => {
      const reach = motifs.get(motif)?.rounds.reach ?? Infinity;
      const scale = Math.floor(Math.min(largest, (r - recipe.gap) / reach) * 1e4) / 1e4;
      return scale >= smallest
        ? [{ motif, scale, covers: scale * reach, like: likeDistance(lattice, here, motif, { x, y }) }]
        : [];
    });
    const nearest = Math.min(...fitting.map(({ like }) => like));
    const others = fitting.filter(({ like }) => like > nearest || fitting.length === 1);
    const [best] = (others.length > 0 ? others : fitting).sort(
      (a, b) => b.covers - a.covers || (a.motif < b.motif ? -1 : 1),
    );
    if (!best) continue;
    const tossed: TossedMotif = {
      motif: best.motif,
      x,
      y,
      scale: best.scale,
      rotation: normaliseAngle(rotationFor(recipe.directions, share)),
      flipped: recipe.flipped && random() < 0.5,
    };
    laid.push(tossed);
    here.push(tossed);
  }
  return laid;
}

function likeDistance(
  lattice: Lattice,
  lie: readonly (Point & { readonly motif: string })[],
  motif: string,
  at: Point,
): number {
  let least = Infinity;
  for (const other of lie) if (other.motif === motif) least = Math.min(least, orbitDistance(lattice, at, other));
  return least;
}
