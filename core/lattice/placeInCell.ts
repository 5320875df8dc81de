import type { Point } from '../geometry/index.ts';
import { indexOfCellAt, type Lattice, latticeTranslate } from './lattice.ts';

/** Nearer than this to the cell’s far edge a place is written as lying on it, and that is where the next cell begins, mm. */
const ON_EDGE = 0.005;

/**
 * A place as it is seen from the cell that holds it, mm: from 0 up to the width and height of the lattice's upright domain. A place that
 * would be written as the full width is 0.
 */
export function placeInCell(lattice: Lattice, place: Point): Point {
  const by = latticeTranslate(lattice, indexOfCellAt(lattice, { x: place.x + ON_EDGE, y: place.y + ON_EDGE }));
  return { x: place.x - by.x, y: place.y - by.y };
}
