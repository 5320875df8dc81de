import { compose, rotation, scaling, transform, translation, type Matrix } from './matrix.ts';
import type { Point } from './point.ts';

/** How something lies: mirrored left to right, then sized, then turned clockwise by degrees, then moved. */
export interface Pose {
  readonly x: number;
  readonly y: number;
  readonly turn: number;
  /** Above 0. */
  readonly scale: number;
  readonly mirrored: boolean;
}

/** The pose as a matrix. */
export function poseMatrix({ x, y, turn, scale, mirrored }: Pose): Matrix {
  return compose(translation(x, y), compose(rotation(turn), scaling(mirrored ? -scale : scale, scale)));
}

/** Where a point of what is posed comes to lie. */
export function posed(pose: Pose, point: Point): Point {
  return transform(poseMatrix(pose), point);
}

/** The pose of something that lies by `inner` in what lies by `outer`. Mirroring turns a turn round. */
export function composePoses(outer: Pose, inner: Pose): Pose {
  return {
    ...posed(outer, inner),
    turn: outer.turn + (outer.mirrored ? -inner.turn : inner.turn),
    scale: outer.scale * inner.scale,
    mirrored: outer.mirrored !== inner.mirrored,
  };
}

/** The pose that undoes this one: `composePoses(inversePose(p), p)` changes nothing. */
export function inversePose({ x, y, turn, scale, mirrored }: Pose): Pose {
  const back = { x: 0, y: 0, turn: mirrored ? turn : -turn, scale: 1 / scale, mirrored };
  return { ...back, ...posed(back, { x: -x, y: -y }) };
}
