import {
  compose,
  IDENTITY,
  type Matrix,
  type Point,
  rotationMatrix,
  scalingMatrix,
  translationMatrix,
} from '../geometry/index.ts';

/** What a stroke is drawn along with: nothing, its reflection by an axis, or itself turned about a point. */
export type DrawingSymmetry =
  | { readonly kind: 'none' }
  /** An axis through a point; degrees clockwise, 0 for an upright one. */
  | { readonly kind: 'mirror'; readonly at: Point; readonly angle: number }
  /** So many to a full turn about a point, each reflected too where asked. */
  | { readonly kind: 'turn'; readonly at: Point; readonly count: number; readonly mirrored: boolean };

export const [LEAST_TURNS, MOST_TURNS] = [2, 24];

/** Everything that a stroke is drawn by, itself first; mm of the plane. */
export function drawnBy(symmetry: DrawingSymmetry): readonly Matrix[] {
  if (symmetry.kind === 'none') return [IDENTITY];
  const { at } = symmetry;
  const about = (matrix: Matrix): Matrix =>
    compose(translationMatrix(at.x, at.y), compose(matrix, translationMatrix(-at.x, -at.y)));
  if (symmetry.kind === 'mirror') return [IDENTITY, about(reflection(symmetry.angle))];
  return Array.from({ length: symmetry.count }, (_, n) => rotationMatrix((360 * n) / symmetry.count)).flatMap(
    (turn, n) => {
      const turned = n === 0 ? IDENTITY : about(turn);
      return symmetry.mirrored ? [turned, about(compose(turn, reflection(0)))] : [turned];
    },
  );
}

/** A reflection by the axis through the origin at an angle from upright. */
const reflection = (angle: number): Matrix =>
  compose(rotationMatrix(angle), compose(scalingMatrix(-1, 1), rotationMatrix(-angle)));
