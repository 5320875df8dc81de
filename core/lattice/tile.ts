import type { Repeat } from './repeat.ts';
import { STEP_KINDS } from './steps/index.ts';
import { plainRepeat } from './symmetryOps.ts';

/** The smallest upright rectangle that repeats without any drop: what a printer's file holds. */
export interface Tile {
  readonly width: number;
  readonly height: number;
  /** Cells of the plain repeat side by side and one above the other. */
  readonly columns: number;
  readonly rows: number;
}

/** The tile of a repeat, in the repeat's own unit: q cells of a drop of p/q, and one cell of the plain repeat for each of its operations. */
export function tileOf(repeat: Repeat): Tile {
  const { width, height, step } = plainRepeat(repeat);
  const { columns, rows } = STEP_KINDS[step.kind].tileCells(step.drop);
  const across = Math.round(width / repeat.width);
  const down = Math.round(height / repeat.height);
  return { width: width * columns, height: height * rows, columns: columns * across, rows: rows * down };
}
