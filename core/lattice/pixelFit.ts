import type { Point } from '../geometry/index.ts';
import { MM_PER_INCH } from '../units/index.ts';
import { type Lattice, latticeFrom, latticeOf } from './lattice.ts';
import type { Repeat } from './repeat.ts';
import type { Step } from './step.ts';
import { STEP_KINDS } from './steps/index.ts';
import { plainRepeat, type SteppedCell, symmetryMultiples } from './symmetryOps.ts';
import { type Tile, tileOf } from './tile.ts';

/** A repeat in whole pixels: cell, drop and tile are all integers, so no tile can show a hairline. */
export interface PixelGrid {
  /** The cell in pixels with the repeat's own step; where cells are reflected, the one that holds the reflections too, which repeats squarely. */
  readonly cell: SteppedCell;
  /** Its lattice; every component is whole. */
  readonly lattice: Lattice;
  readonly tile: Tile;
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
 * A half-drop of p/q needs a height that q divides, a brick a width that q divides: only then is the drop whole. Each
 * reflected cell is of whole pixels by itself.
 *
 * @param scale wished pixels per millimetre across
 * @param scaleY wished pixels per millimetre down, where they are to differ
 */
export function pixelGrid(repeat: Repeat, scale: number, scaleY = scale): PixelGrid {
  const multiples = pixelMultiples(repeat.step);
  const own: SteppedCell = {
    width: nearestMultiple(repeat.width * scale, multiples.width),
    height: nearestMultiple(repeat.height * scaleY, multiples.height),
    step: repeat.step,
  };
  const cell = plainRepeat(own);
  const exact = latticeOf(cell);
  // p/q is inexact in binary, but the drop in pixels is whole by construction.
  const lattice = latticeFrom(wholePoint(exact.a), wholePoint(exact.b), exact);
  return {
    cell,
    lattice,
    tile: tileOf(cell),
    scaleX: own.width / repeat.width,
    scaleY: own.height / repeat.height,
  };
}

/** What a cell's width and height have to be multiples of, in pixels, for all that its step does to it to be whole. */
export function pixelMultiples(step: Step): { readonly width: number; readonly height: number } {
  return symmetryMultiples(step) ?? STEP_KINDS[step.kind].pixelMultiples(step.drop);
}

/** How far the grid, printed at `dpi`, is from the wished cell. */
export function fitError(repeat: Repeat, grid: PixelGrid, dpi: number): FitError {
  const widthMm = (repeat.width * grid.scaleX * MM_PER_INCH) / dpi - repeat.width;
  const heightMm = (repeat.height * grid.scaleY * MM_PER_INCH) / dpi - repeat.height;
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

function wholePoint({ x, y }: Point): Point {
  return { x: Math.round(x), y: Math.round(y) };
}
