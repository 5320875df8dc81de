import type { Point } from './point.ts';

/** An affine map in the order of SVG and Canvas: x' = a·x + c·y + e, y' = b·x + d·y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** The map that applies `inner` first and `outer` after it. */
export function compose(outer: Matrix, inner: Matrix): Matrix {
  const [a, b, c, d, e, f] = outer;
  const [p, q, r, s, t, u] = inner;
  return [a * p + c * q, b * p + d * q, a * r + c * s, b * r + d * s, a * t + c * u + e, b * t + d * u + f];
}

/** Moves by (x, y). */
export function translationMatrix(x: number, y: number): Matrix {
  return [1, 0, 0, 1, x, y];
}

/** Scales x and y about the origin. */
export function scalingMatrix(x: number, y: number): Matrix {
  return [x, 0, 0, y, 0, 0];
}

/** Clockwise on a y-down plane, degrees. Quarter turns are exact. */
export function rotationMatrix(degrees: number): Matrix {
  const quarter = ((degrees % 360) + 360) % 360;
  const [cos, sin] =
    quarter === 0
      ? [1, 0]
      : quarter === 90
        ? [0, 1]
        : quarter === 180
          ? [-1, 0]
          : quarter === 270
            ? [0, -1]
            : [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return [cos, sin, -sin, cos, 0, 0];
}

/** Where a matrix takes a point. */
export function transform([a, b, c, d, e, f]: Matrix, { x, y }: Point): Point {
  return { x: a * x + c * y + e, y: b * x + d * y + f };
}

/** The map that undoes `matrix`, or undefined where it flattens the plane. */
export function invert(matrix: Matrix): Matrix | undefined {
  const [a, b, c, d, e, f] = matrix;
  const det = a * d - b * c;
  if (!Number.isFinite(1 / det)) return undefined;
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det];
}

/** By how much a map stretches at the most: the larger singular value of its linear part. */
export function largestStretch([a, b, c, d]: Matrix): number {
  // The parts that turn and that mirror, whose lengths add up; the roots of squares would cancel where both are nearly the same.
  return (Math.hypot(a + d, b - c) + Math.hypot(a - d, b + c)) / 2;
}
