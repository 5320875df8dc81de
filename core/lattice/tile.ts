import { STEP_KINDS } from './steps/index.ts';
import { plainRepeat, type SteppedCell, symmetryOpsOf } from './symmetryOps.ts';

/** The smallest upright rectangle that repeats without any drop: what a printer's file holds. */
export interface Tile {
  readonly width: number;
  readonly height: number;
  /** How many times as wide and as high as a cell it is. */
  readonly columns: number;
  readonly rows: number;
  /** How many cells it holds. */
  readonly cells: number;
}

/** The tile of a repeat, in the repeat's own unit: q cells of a drop of p/q, each once for every operation. */
export function tileOf(repeat: SteppedCell): Tile {
  const { width, height, step } = plainRepeat(repeat);
  const { columns, rows } = STEP_KINDS[step.kind].tileCells(step.drop);
  return {
    width: width * columns,
    height: height * rows,
    columns: Math.round((width * columns) / repeat.width),
    rows: Math.round((height * rows) / repeat.height),
    cells: columns * rows * symmetryOpsOf(repeat).length,
  };
}
