import type { Placement } from '../document/index.ts';
import {
  applyPose,
  composePoses,
  isWithinLimits,
  normaliseAngle,
  type Point,
  type Pose,
  UPRIGHT,
} from '../geometry/index.ts';
import type { PlacementChanges } from './align.ts';

/**
 * The changes after which every placement lies as it would if the plane were posed so: all turn, grow, lean or are
 * mirrored together, about whatever point the pose leaves where it is.
 *
 * @param placements where they are meant to be, which across a join may be an instance
 * @returns undefined where one would become smaller, larger or more slanted than a motif can be
 */
export function transformPlacements(placements: readonly Placement[], by: Pose): PlacementChanges | undefined {
  const changes: PlacementChanges = {};
  for (const placement of placements) {
    const { x, y, rotation, scale, aspect, skew, flipped } = composePoses(by, placement);
    const shape = { rotation: normaliseAngle(rotation), scale, aspect, skew, flipped };
    if (!isWithinLimits(shape)) return undefined;
    changes[placement.id] = { x, y, ...shape };
  }
  return changes;
}

/** The pose that turns, sizes, slants or mirrors the plane so, and leaves a point where it is. */
export function poseAbout(fixed: Point, shape: Partial<Omit<Pose, 'x' | 'y'>>): Pose {
  const pose = { ...UPRIGHT, ...shape };
  const to = applyPose(pose, fixed);
  return { ...pose, x: fixed.x - to.x, y: fixed.y - to.y };
}
