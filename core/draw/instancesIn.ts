import {
  type Box,
  boxAround,
  compose,
  cornersOfBox,
  type Matrix,
  transform,
  translationMatrix,
} from '../geometry/index.ts';
import { indicesTouching, type Lattice, latticeTranslate } from '../lattice/index.ts';

/**
 * How everything drawn in `box` is seen in a window of the plane: a map for each instance whose box touches it, by the operations and
 * the translations of the lattice.
 *
 * @param frame from what `box` is measured in to mm of the plane
 * @param window mm of the plane
 */
export function instancesIn(lattice: Lattice, frame: Matrix, box: Box, window: Box): Matrix[] {
  return lattice.ops.flatMap(({ matrix }) => {
    const here = compose(matrix, frame);
    const extent = boxAround(cornersOfBox(box).map((corner) => transform(here, corner)));
    return indicesTouching(lattice, extent, window).map((index) => {
      const { x, y } = latticeTranslate(lattice, index);
      return compose(translationMatrix(x, y), here);
    });
  });
}
