import type { Pose } from '../geometry/pose.ts';
import type { Point } from '../geometry/point.ts';
import type { Repeat } from './repeat.ts';

/** A way in which a mirrored step lays the cell once more: reflected left to right, top to bottom or both, then moved. */
export interface SymmetryOp extends Point {
  readonly flipX: boolean;
  readonly flipY: boolean;
}

export const IDENTITY_OP: SymmetryOp = { flipX: false, flipY: false, x: 0, y: 0 };
const ONLY_ITSELF: readonly SymmetryOp[] = [IDENTITY_OP];

/**
 * What the lattice then repeats: the cell itself, first, and its reflections, in the repeat's unit.
 *
 * Together with the lattice they are a group (pm, pg or pmm of the plane groups), so that every appearance may be taken
 * for the motif itself: a motif carried over an edge looks the same everywhere before and after. Other drops with
 * reflections are none, and are not offered.
 */
export function symmetryOpsOf({ width, height, step }: Repeat): readonly SymmetryOp[] {
  const across: SymmetryOp = { flipX: true, flipY: false, x: 0, y: step.kind === 'half-drop' ? height / 2 : 0 };
  const down: SymmetryOp = { flipX: false, flipY: true, x: step.kind === 'brick' ? width / 2 : 0, y: 0 };
  switch (step.mirrored) {
    case undefined:
      return ONLY_ITSELF;
    case 'columns':
      return [IDENTITY_OP, across];
    case 'rows':
      return [IDENTITY_OP, down];
    case 'both':
      return [IDENTITY_OP, across, down, { flipX: true, flipY: true, x: 0, y: 0 }];
  }
}

/** Where an image shows a point. */
export function applyOpToPoint({ flipX, flipY, x, y }: SymmetryOp, point: Point): Point {
  return { x: (flipX ? -point.x : point.x) + x, y: (flipY ? -point.y : point.y) + y };
}

/** How an image shows what lies by a pose: to the bit what it was where the image is taken twice over. */
export function applyOpToPose<P extends Pose>(image: SymmetryOp, pose: P): P {
  const { flipX, flipY } = image;
  if (!flipX && !flipY) return pose;
  const isReflected = flipX !== flipY;
  // Top to bottom is left to right and half a turn.
  const turn = (isReflected ? -pose.rotation : pose.rotation) + (flipY ? 180 : 0);
  return {
    ...pose,
    ...applyOpToPoint(image, pose),
    rotation: turn >= 360 || turn <= -360 ? turn % 360 : turn,
    skew: isReflected ? -pose.skew + 0 : pose.skew,
    flipped: isReflected ? !pose.flipped : pose.flipped,
  };
}
