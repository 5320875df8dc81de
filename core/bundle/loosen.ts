import type { Placement } from '../document/index.ts';
import {
  composePoses,
  isWithinLimits,
  LARGEST_SCALE,
  normaliseAngle,
  type Pose,
  SMALLEST_SCALE,
} from '../geometry/index.ts';
import type { Motif } from '../motif/index.ts';
import type { Part } from '../recipe/index.ts';

/** Thrown where a part would be smaller or larger than a motif on the cloth can be. */
export class LoosenError extends Error {}

/** How the inside of a placed bundle lies on the cloth: its natural size may have been changed since it was made. */
export function bundlePose(placement: Placement, bundle: Pick<Motif, 'width' | 'view'>): Pose {
  return { ...placement, scale: (placement.scale * bundle.width) / bundle.view.width };
}

/**
 * The parts of a placed bundle as placements of their own, each exactly where it was seen.
 *
 * @param newId gives each its id
 * @throws LoosenError
 */
export function loosenBundle(
  placement: Placement,
  bundle: Pick<Motif, 'width' | 'view'>,
  parts: readonly Part[],
  newId: () => string,
): Placement[] {
  const inside = bundlePose(placement, bundle);
  return parts.map((part) => {
    const pose = composePoses(inside, part);
    if (pose.scale < SMALLEST_SCALE || pose.scale > LARGEST_SCALE) {
      throw new LoosenError(
        `A motif in this bundle would lie at ${Number((pose.scale * 100).toPrecision(3))} % of its size, and motifs on the cloth go from ${SMALLEST_SCALE * 100} % to ${LARGEST_SCALE * 100} %. Nothing was changed; make the bundle ${pose.scale > 1 ? 'smaller' : 'larger'} first.`,
      );
    }
    if (!isWithinLimits(pose))
      throw new LoosenError(
        'A motif in this bundle would be stretched or skewed more than a motif can be. Nothing was changed; stretch or skew the bundle less first.',
      );
    return {
      ...pose,
      rotation: normaliseAngle(pose.rotation),
      id: newId(),
      motif: part.motif,
      layer: placement.layer,
      opacity: placement.opacity * part.opacity,
      blend: placement.blend,
    };
  });
}
