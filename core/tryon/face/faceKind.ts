import type { ObjectSchema } from 'yup';
import type { Point } from '../../geometry/index.ts';

/** How a face's cloth is seen: both ways between the scene and the cloth as it lies flat. */
export interface FaceMap {
  /**
   * Writes where on the cloth a point of the scene lies, mm, into the first two places of `out`.
   *
   * @param x units of the scene
   * @returns whether any of the face is seen there
   */
  toCloth(x: number, y: number, out: Float64Array): boolean;
  /** Where in the scene a point of the cloth is seen. @param u mm */
  toScene(u: number, v: number): Point;
}

/** A kind of face: what describes it, and what it does to cloth. */
export interface FaceKind<F extends object> {
  readonly schema: ObjectSchema<F>;
  /** @throws RangeError with a sentence where no cloth can be laid on it */
  map(face: F): FaceMap;
}

export const defineFace = <F extends object>(kind: FaceKind<F>): FaceKind<F> => kind;
