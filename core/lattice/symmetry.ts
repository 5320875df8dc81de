import { compose, type Matrix, type Point, type Pose, transform } from '../geometry/index.ts';

/**
 * An isometry of the plane by which a step shows the cell once more.
 *
 * Its linear part is a rotation by quarter turns after, where `reflected`, a reflection left to right; entries of the
 * matrix are then 0, 1 and -1, so that what it is applied to stays exact.
 */
export interface SymmetryOp {
  readonly name: string;
  /** In the repeat's own unit. */
  readonly matrix: Matrix;
  /** Degrees clockwise. */
  readonly rotation: 0 | 90 | 180 | 270;
  readonly reflected: boolean;
}

const LINEAR: Readonly<Record<SymmetryOp['rotation'], Matrix>> = {
  0: [1, 0, 0, 1, 0, 0],
  90: [0, 1, -1, 0, 0, 0],
  180: [-1, 0, 0, -1, 0, 0],
  270: [0, -1, 1, 0, 0, 0],
};
const REFLECTION: Matrix = [-1, 0, 0, 1, 0, 0];

/**
 * The operation that reflects left to right where asked, rotates about the origin, and then moves by (x, y).
 *
 * @param rotation degrees clockwise
 */
export function symmetryOp(
  name: string,
  rotation: SymmetryOp['rotation'],
  reflected: boolean,
  x = 0,
  y = 0,
): SymmetryOp {
  const [a, b, c, d] = reflected ? compose(LINEAR[rotation], REFLECTION) : LINEAR[rotation];
  // A zero without its sign, so that sums with it are exact to the bit.
  return { name, matrix: [a + 0, b + 0, c + 0, d + 0, x, y], rotation, reflected };
}

export const IDENTITY_OP: SymmetryOp = symmetryOp('identity', 0, false);

/** Where an operation takes a point. */
export function applyOpToPoint({ matrix }: SymmetryOp, point: Point): Point {
  return transform(matrix, point);
}

/**
 * The pose of what lies by `pose`, seen through an operation. Angles stay within a turn; a half-turn or reflection
 * applied twice gives the pose back to the bit.
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
