import { compose, invert, type Matrix, rotationMatrix, scalingMatrix, transform, translationMatrix } from './matrix.ts';
import type { Point } from './point.ts';

/**
 * How something lies: mirrored left to right, then sized, then slanted, then turned clockwise by degrees, then moved.
 * Every way to lie that keeps straight lines straight is one pose and no other, but for whole turns.
 */
export interface Pose {
  readonly x: number;
  readonly y: number;
  readonly rotation: number;
  /** Across; above 0. */
  readonly scale: number;
  /** How much higher it is drawn than wide, of its own proportions; 1 keeps them. Above 0. */
  readonly aspect: number;
  /** Degrees by which its upright lines lean, to the left where above 0; between -90 and 90. */
  readonly skew: number;
  readonly flipped: boolean;
}

/** Lying at the origin, as it is. */
export const UPRIGHT: Pose = { x: 0, y: 0, rotation: 0, scale: 1, aspect: 1, skew: 0, flipped: false };

/** The pose as a matrix. */
export function poseMatrix({ x, y, rotation, scale, aspect, skew, flipped }: Pose): Matrix {
  const sized = scalingMatrix(flipped ? -scale : scale, scale * aspect);
  return compose(
    translationMatrix(x, y),
    compose(
      rotationMatrix(rotation),
      skew === 0 ? sized : compose([1, 0, Math.tan((skew * Math.PI) / 180), 1, 0, 0], sized),
    ),
  );
}

/**
 * The pose whose matrix this is, a QR decomposition: the first column gives turn and size, what is left of the second stretch and skew.
 *
 * @throws RangeError where the matrix flattens the plane
 */
export function poseOf([a, b, c, d, e, f]: Matrix): Pose {
  const det = a * d - b * c;
  if (!Number.isFinite(1 / det))
    throw new RangeError(`no pose flattens the plane, as this matrix does: ${[a, b, c, d].join(' ')}`);
  const flipped = det < 0;
  const [p, q] = flipped ? [-a, -b] : [a, b];
  const scale = Math.hypot(p, q);
  const [cos, sin] = [p / scale, q / scale];
  const high = cos * d - sin * c;
  const lean = (cos * c + sin * d) / high;
  return {
    x: e,
    y: f,
    rotation: (Math.atan2(q, p) * 180) / Math.PI,
    scale,
    aspect: high / scale,
    skew: (Math.atan(lean) * 180) / Math.PI,
    flipped,
  };
}

/** Where a point of what is posed comes to lie. */
export function applyPose(pose: Pose, point: Point): Point {
  return transform(poseMatrix(pose), point);
}

/** The pose of something that lies by `inner` in what lies by `outer`. Mirroring turns a turn round. */
export function composePoses(outer: Pose, inner: Pose): Pose {
  if (!keepsShape(outer)) return poseOf(compose(poseMatrix(outer), poseMatrix(inner)));
  return {
    ...applyPose(outer, inner),
    rotation: outer.rotation + (outer.flipped ? -inner.rotation : inner.rotation),
    scale: outer.scale * inner.scale,
    aspect: inner.aspect,
    skew: outer.flipped ? -inner.skew : inner.skew,
    flipped: outer.flipped !== inner.flipped,
  };
}

/** The pose that undoes this one: `composePoses(inversePose(p), p)` changes nothing. */
export function inversePose(pose: Pose): Pose {
  const { x, y, rotation, scale, flipped } = pose;
  if (!keepsShape(pose)) return poseOf(invert(poseMatrix(pose)) as Matrix);
  const back = { ...UPRIGHT, rotation: flipped ? rotation : -rotation, scale: 1 / scale, flipped };
  return { ...back, ...applyPose(back, { x: -x, y: -y }) };
}

/** Whether it only moves, turns, mirrors and sizes evenly; such poses are calculated without a matrix, so that 90° stays 90°. */
function keepsShape({ aspect, skew }: Pose): boolean {
  return aspect === 1 && skew === 0;
}
