import type { Point } from '../geometry/index.ts';
import { nearestInstanceIndex } from './instances.ts';
import { latticeOf, latticeTranslate } from './lattice.ts';
import type { Repeat } from './repeat.ts';

/** The middle of the cell whose middle is nearest to a point, mm. */
export function nearestCellMiddle(repeat: Repeat, point: Point): Point {
  const lattice = latticeOf(repeat);
  const middle = { x: repeat.width / 2, y: repeat.height / 2 };
  const by = latticeTranslate(lattice, nearestInstanceIndex(lattice, middle, point));
  return { x: middle.x + by.x, y: middle.y + by.y };
}
