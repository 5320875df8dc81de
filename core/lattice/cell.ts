import { isInsideLoops, type Point } from '../geometry/index.ts';
import { cellCorners, plainRepeat, type SteppedCell, symmetryOpsOf } from './symmetryOps.ts';

/** What a step repeats by its lattice and its operations: a fundamental domain of both, of most steps an upright rectangle. */
export interface Cell {
  /** The box around it, which lies at the origin. */
  readonly width: number;
  readonly height: number;
  /** Clockwise. */
  readonly corners: readonly Point[];
  readonly area: number;
}

/** The cell of a repeat, in the repeat's own unit. */
export function cellOf(repeat: SteppedCell): Cell {
  const { width, height } = plainRepeat(repeat);
  return {
    width: repeat.width,
    height: repeat.height,
    corners: cellCorners(repeat),
    area: (width * height) / symmetryOpsOf(repeat).length,
  };
}

/** Whether a point lies in a cell; of an upright one on its left or upper edge too. */
export function isInCell({ corners }: Cell, point: Point): boolean {
  return isInsideLoops([corners], point);
}

/** Whether a cell fills the box around it. */
export function isRectangular({ width, height, area }: Cell): boolean {
  return area > 0.99 * width * height;
}
