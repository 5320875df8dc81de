import { MM_PER_INCH } from '../units/length.ts';
import { latticeOf, type Lattice } from './lattice.ts';
import type { Repeat } from './repeat.ts';
import { straightUnit, type StraightUnit } from './straightUnit.ts';

/** A repeat in whole pixels: cell, drop and straight unit are all integers, so no tile can show a hairline. */
export interface PixelGrid {
  /** The cell in pixels with the repeat's own step. */
  readonly cell: Repeat;
  /** Its lattice; every component is whole. */
  readonly lattice: Lattice;
  readonly unit: StraightUnit;
  /** Pixels per millimetre across and down; they differ by the rounding alone. */
  readonly scaleX: number;
  readonly scaleY: number;
}

/** What whole pixels cost: the printed cell against the wished one, at the density that was asked for. */
export interface FitError {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly widthPercent: number;
  readonly heightPercent: number;
}

/**
 * The nearest whole-pixel grid to a repeat at a scale.
 *
 * A half-drop of p/q needs a height that q divides, a brick a width that q divides: only then is the drop whole.
 *
 * @param scale wished pixels per millimetre
 */
export function pixelGrid(repeat: Repeat, scale: number): PixelGrid {
  const { kind, drop } = repeat.step;
  const cell: Repeat = {
    width: nearestMultiple(repeat.width * scale, kind === 'brick' ? drop.q : 1),
    height: nearestMultiple(repeat.height * scale, kind === 'half-drop' ? drop.q : 1),
    step: repeat.step,
  };
  const exact = latticeOf(cell);
  return {
    cell,
    // p/q is inexact in binary, but the drop in pixels is whole by construction.
    lattice: {
      ...exact,
      a: { x: exact.a.x, y: Math.round(exact.a.y) },
      b: { x: Math.round(exact.b.x), y: exact.b.y },
    },
    unit: straightUnit(cell),
    scaleX: cell.width / repeat.width,
    scaleY: cell.height / repeat.height,
  };
}

/** How far the grid, printed at `dpi`, is from the wished cell. */
export function fitError(repeat: Repeat, grid: PixelGrid, dpi: number): FitError {
  const widthMm = (grid.cell.width * MM_PER_INCH) / dpi - repeat.width;
  const heightMm = (grid.cell.height * MM_PER_INCH) / dpi - repeat.height;
  return {
    widthMm,
    heightMm,
    widthPercent: (100 * widthMm) / repeat.width,
    heightPercent: (100 * heightMm) / repeat.height,
  };
}

function nearestMultiple(value: number, of: number): number {
  return Math.max(1, Math.round(value / of)) * of;
}
