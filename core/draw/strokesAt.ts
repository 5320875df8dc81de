import { boxAround, growBox, invert, type Matrix, type Point, transform } from '../geometry/index.ts';
import type { Lattice } from '../lattice/index.ts';
import type { Stroke } from '../recipe/index.ts';
import { strokeTouches } from './drawnStroke.ts';
import { instancesIn } from './instancesIn.ts';
import { strokesBox } from './strokeBox.ts';

/**
 * The strokes of a drawing that cover a place of the plane, or come within `reach` of it, in any of their instances: the topmost first,
 * each with the map from its own mm to the instance that does.
 *
 * @param frame from the drawing's own mm to the plane
 */
export function* strokesAt(
  lattice: Lattice,
  strokes: readonly Stroke[],
  frame: Matrix,
  at: Point,
  reach: number,
): Generator<{ readonly stroke: Stroke; readonly matrix: Matrix }> {
  const spot = growBox(boxAround([at]), reach);
  for (const stroke of strokes.toReversed()) {
    const box = strokesBox([stroke]);
    if (!box) continue;
    for (const matrix of instancesIn(lattice, frame, box, spot)) {
      const back = invert(matrix);
      if (back && strokeTouches(stroke, transform(back, at), reach)) yield { stroke, matrix };
    }
  }
}
