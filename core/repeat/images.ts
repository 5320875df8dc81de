import type { Pose } from '../geometry/pose.ts';
import type { Point } from '../geometry/point.ts';
import type { Repeat } from './repeat.ts';

/** A way in which a mirrored step lays the cell once more: reflected left to right, top to bottom or both, then moved. */
export interface Image extends Point {
  readonly flipX: boolean;
  readonly flipY: boolean;
}

export const ITSELF: Image = { flipX: false, flipY: false, x: 0, y: 0 };
const ONLY_ITSELF: readonly Image[] = [ITSELF];

/**
 * What the lattice then repeats: the cell itself, first, and its reflections, in the repeat's unit.
 *
 * Together with the lattice they are a group (pm, pg or pmm of the plane groups), so that every appearance may be taken
 * for the motif itself: a motif carried over an edge looks the same everywhere before and after. Other drops with
 * reflections are none, and are not offered.
 */
export function imagesOf({ width, height, step }: Repeat): readonly Image[] {
  const across: Image = { flipX: true, flipY: false, x: 0, y: step.kind === 'half-drop' ? height / 2 : 0 };
  const down: Image = { flipX: false, flipY: true, x: step.kind === 'brick' ? width / 2 : 0, y: 0 };
  switch (step.mirrored) {
    case undefined:
      return ONLY_ITSELF;
    case 'columns':
      return [ITSELF, across];
    case 'rows':
      return [ITSELF, down];
    case 'both':
      return [ITSELF, across, down, { flipX: true, flipY: true, x: 0, y: 0 }];
  }
}

/** Where an image shows a point. */
export function imagePoint({ flipX, flipY, x, y }: Image, point: Point): Point {
  return { x: (flipX ? -point.x : point.x) + x, y: (flipY ? -point.y : point.y) + y };
}

/** How an image shows what lies by a pose: to the bit what it was where the image is taken twice over. */
export function imagePose<P extends Pose>(image: Image, pose: P): P {
  const { flipX, flipY } = image;
  if (!flipX && !flipY) return pose;
  const isReflected = flipX !== flipY;
  // Top to bottom is left to right and half a turn.
  const turn = (isReflected ? -pose.turn : pose.turn) + (flipY ? 180 : 0);
  return {
    ...pose,
    ...imagePoint(image, pose),
    turn: turn >= 360 || turn <= -360 ? turn % 360 : turn,
    skew: isReflected ? -pose.skew + 0 : pose.skew,
    mirrored: isReflected ? !pose.mirrored : pose.mirrored,
  };
}
