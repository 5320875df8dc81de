import { shapeMatrix } from '../../core/document/index.ts';
import { groupStrokes, instancesIn, movedStroke, strokesBox } from '../../core/draw/index.ts';
import {
  boxAround,
  compose,
  cornersOfBox,
  growBox,
  invert,
  type Matrix,
  transform,
  translationMatrix,
} from '../../core/geometry/index.ts';
import type { Stroke } from '../../core/recipe/index.ts';
import type { DrawingHost } from './drawingHost.ts';

/** A hand-drawn motif that strokes join, and all of its strokes then. */
export interface Joined {
  readonly placement: string;
  readonly motif: string;
  readonly strokes: readonly Stroke[];
}

/**
 * The motif drawn by hand, in any of its instances, that strokes come so near to that they belong to it: one of their colour.
 *
 * @param frame from the strokes' mm to the plane
 * @param near how far from it they may be, mm
 * @param strokesOf the strokes of a motif as they are now; undefined where it was not drawn
 */
export function motifNear(
  editor: Pick<DrawingHost, 'design' | 'lattice' | 'motif'>,
  strokes: readonly Stroke[],
  frame: Matrix,
  near: number,
  strokesOf: (motif: string) => readonly Stroke[] | undefined,
): Joined | undefined {
  const { design, lattice } = editor;
  const box = strokesBox(strokes);
  if (!box) return undefined;
  const window = growBox(boxAround(cornersOfBox(box).map((corner) => transform(frame, corner))), near);
  for (const placement of [...design.placements].reverse()) {
    const known = editor.motif(placement.motif);
    const own = strokesOf(placement.motif);
    const ownBox = own && strokesBox(own);
    if (!known || !own || !ownBox) continue;
    const here = compose(translationMatrix(placement.x, placement.y), shapeMatrix(placement, known));
    for (const matrix of instancesIn(lattice, here, ownBox, window)) {
      const back = invert(matrix);
      if (!back) continue;
      const added = strokes.map((stroke) => movedStroke(stroke, compose(back, frame)));
      const isOne = groupStrokes([...own, ...added], near).some(
        (group) => group.some((one) => own.includes(one)) && group.some((one) => added.includes(one)),
      );
      if (isOne) return { placement: placement.id, motif: known.id, strokes: [...own, ...added] };
    }
  }
  return undefined;
}
