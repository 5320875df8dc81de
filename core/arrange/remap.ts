import { isWithinLimits, type Placement } from '../document/placement.ts';
import { composePoses, posed, UPRIGHT, type Pose } from '../geometry/pose.ts';
import type { Point } from '../geometry/point.ts';
import { withinTurn } from '../geometry/turn.ts';
import type { Changes } from './lineUp.ts';

/**
 * The changes after which every placement lies as it would if the plane were posed so: all turn, grow, lean or are
 * mirrored together, about whatever point the pose leaves where it is.
 *
 * @param placements where they are meant to be, which across a join may be an echo
 * @returns undefined where one would become smaller, larger or more slanted than a motif can be
 */
export function remapped(placements: readonly Placement[], by: Pose): Changes | undefined {
  const changes: Changes = {};
  for (const placement of placements) {
    const { x, y, turn, scale, stretch, skew, mirrored } = composePoses(by, placement);
    const shape = { turn: withinTurn(turn), scale, stretch, skew, mirrored };
    if (!isWithinLimits(shape)) return undefined;
    changes[placement.id] = { x, y, ...shape };
  }
  return changes;
}

/** The pose that turns, sizes, slants or mirrors the plane so, and leaves a point where it is. */
export function about(fixed: Point, shape: Partial<Omit<Pose, 'x' | 'y'>>): Pose {
  const pose = { ...UPRIGHT, ...shape };
  const to = posed(pose, fixed);
  return { ...pose, x: fixed.x - to.x, y: fixed.y - to.y };
}
