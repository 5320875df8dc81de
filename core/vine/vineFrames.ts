import type { Point, Pose } from '../geometry/index.ts';

/**
 * Where the mirror image of a vine lies that lies by `pose`: reflected about the line through its middle along its period, which is a
 * period of the image, too. The two together are an ogee or a trellis.
 *
 * @param period of the vine as it lies, mm of the plane
 */
export function mirroredVine<P extends Pose>(pose: P, period: Point): P {
  const along = (Math.atan2(period.y, period.x) * 180) / Math.PI;
  // S(θ) ∘ R(r) = R(2θ + 180°) ∘ F ∘ R(r) = R(2θ + 180° − r) ∘ F, with F from left to right.
  const rotation = 2 * along + 180 - pose.rotation;
  return {
    ...pose,
    rotation: rotation - 360 * Math.round(rotation / 360),
    flipped: !pose.flipped,
    skew: 0 - pose.skew,
  };
}

/** Where a vine lies that goes the same way half a repeat later. */
export function droppedVine<P extends Pose>(pose: P, period: Point): P {
  return { ...pose, x: pose.x + period.x / 2, y: pose.y + period.y / 2 };
}
