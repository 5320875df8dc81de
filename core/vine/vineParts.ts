import { type Motif, naturalHeight } from '../motif/index.ts';
import { rotationMatrix, transform, UPRIGHT } from '../geometry/index.ts';
import { hashed, unitOf } from '../random/index.ts';
import { MOST_PARTS, type Part, type VineLeaves, type VineRecipe } from '../recipe/index.ts';
import { directionOf, VineCurve } from './vineCurve.ts';

/**
 * Where the leaves of one period lie, in mm about the vine's middle: each stands with its foot on the vine's edge. Those of the next
 * period follow at the same spacing.
 *
 * @param motifs all that the leaves name; those that are not there are left out
 */
export function vineParts(
  { leaves, ...line }: Pick<VineRecipe, 'leaves' | 'knots' | 'period'>,
  motifs: ReadonlyMap<string, Pick<Motif, 'width' | 'view'>>,
): Part[] {
  const curve = new VineCurve(line);
  return leaves
    .flatMap((each) => {
      const motif = motifs.get(each.motif);
      return motif ? partsOf(curve, each, naturalHeight(motif)) : [];
    })
    .slice(0, MOST_PARTS);
}

/** How many places there are along one period: where sides alternate an even number, so that they do at the join too. */
export function leafCount({ spacing, side }: Pick<VineLeaves, 'spacing' | 'side'>, length: number): number {
  const count = Math.max(1, Math.round(length / spacing));
  const most = side === 'both' ? MOST_PARTS / 2 : MOST_PARTS;
  return Math.min(most, side === 'alternate' ? 2 * Math.max(1, Math.round(count / 2)) : count);
}

function partsOf(curve: VineCurve, leaves: VineLeaves, height: number): Part[] {
  const count = leafCount(leaves, curve.length);
  const every = curve.length / count;
  return Array.from({ length: count }, (_, n) => n).flatMap((n) => {
    const place = curve.place(curve.parameterAt((n + leaves.offset) * every));
    const sides =
      leaves.side === 'both'
        ? ([-1, 1] as const)
        : [leaves.side === 'left' || (leaves.side === 'alternate' && n % 2 === 0) ? (-1 as const) : (1 as const)];
    return sides.map((side): Part => {
      const along = directionOf(place);
      const out = { x: -side * along.y, y: side * along.x };
      const towards = transform(rotationMatrix(side * leaves.angle), along);
      const size = unitOf(hashed(leaves.seed, n, side));
      const scale = leaves.smallest + (leaves.largest - leaves.smallest) * size;
      const off = place.width / 2 + leaves.gap;
      const reach = (height * scale) / 2;
      return {
        ...UPRIGHT,
        motif: leaves.motif,
        x: place.at.x + out.x * off + towards.x * reach,
        y: place.at.y + out.y * off + towards.y * reach,
        // A motif's foot is below, so that its up is where the leaf points.
        rotation: (Math.atan2(towards.x, -towards.y) * 180) / Math.PI,
        scale,
        flipped: leaves.mirrored && side === 1,
        opacity: 1,
      };
    });
  });
}
