import { compose, type Matrix, type Point, type Pose, transform } from '../geometry/index.ts';

/**
 * An isometry of the plane by which a step shows the cell once more.
 *
 * Its linear part is a rotation after, where `reflected`, a reflection left to right. Of quarter turns the entries of the
 * matrix are 0, 1 and -1, so that what it is applied to stays exact.
 */
export interface SymmetryOp {
  /** In the repeat's own unit. */
  readonly matrix: Matrix;
  /** Degrees clockwise: a quarter turn or a sixth of a turn, so often. */
  readonly rotation: Turn;
  readonly reflected: boolean;
}

type Turn = 0 | 60 | 90 | 120 | 180 | 240 | 270 | 300;

const SIN_60 = Math.sqrt(3) / 2;
const LINEAR: Readonly<Record<Turn, Matrix>> = {
  0: [1, 0, 0, 1, 0, 0],
  60: [0.5, SIN_60, -SIN_60, 0.5, 0, 0],
  90: [0, 1, -1, 0, 0, 0],
  120: [-0.5, SIN_60, -SIN_60, -0.5, 0, 0],
  180: [-1, 0, 0, -1, 0, 0],
  240: [-0.5, -SIN_60, SIN_60, -0.5, 0, 0],
  270: [0, -1, 1, 0, 0, 0],
  300: [0.5, -SIN_60, SIN_60, 0.5, 0, 0],
};
const REFLECTION: Matrix = [-1, 0, 0, 1, 0, 0];

/**
 * The operation that reflects left to right where asked, rotates about the origin, and then moves by (x, y).
 *
 * @param rotation degrees clockwise
 */
export function symmetryOp(rotation: Turn, reflected: boolean, x = 0, y = 0): SymmetryOp {
  const [a, b, c, d] = reflected ? compose(LINEAR[rotation], REFLECTION) : LINEAR[rotation];
  // A zero without its sign, so that sums with it are exact to the bit.
  return { matrix: [a + 0, b + 0, c + 0, d + 0, x, y], rotation, reflected };
}

/** The operation that reflects left to right where asked, and rotates, both about a point that stays where it is. */
export function symmetryOpAbout({ x, y }: Point, rotation: Turn, reflected: boolean): SymmetryOp {
  const to = transform(symmetryOp(rotation, reflected).matrix, { x, y });
  return symmetryOp(rotation, reflected, x - to.x, y - to.y);
}

export const IDENTITY_OP: SymmetryOp = symmetryOp(0, false);

/** Where an operation takes a point. */
export function applyOpToPoint({ matrix }: SymmetryOp, point: Point): Point {
  return transform(matrix, point);
}

/**
 * The pose of what lies by `pose`, seen through an operation. Angles stay within a turn; a half-turn or reflection
 * along an edge applied twice gives the pose back to the bit.
 */
export function applyOpToPose<P extends Pose>(op: SymmetryOp, pose: P): P {
  if (op.rotation === 0 && !op.reflected) return pose;
  // A reflection reverses the sense of rotation and of skew (Rot ∘ Flip = Flip ∘ Rot⁻¹).
  const rotation = (op.reflected ? -pose.rotation : pose.rotation) + op.rotation;
  return {
    ...pose,
    ...applyOpToPoint(op, pose),
    rotation: rotation >= 360 || rotation <= -360 ? rotation % 360 : rotation,
    skew: op.reflected ? -pose.skew + 0 : pose.skew,
    flipped: op.reflected ? !pose.flipped : pose.flipped,
  };
}
