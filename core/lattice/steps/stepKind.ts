import type { Point } from '../../geometry/index.ts';
import type { Fraction } from '../fraction.ts';

export const KINDS = ['square', 'half-drop', 'brick'] as const;
/** How cells follow each other. Tossed designs use any of these; the toss is in the placing, not in the lattice. */
export type StepKind = (typeof KINDS)[number];

/**
 * Which cells are reflected: every other column, every other row, or both; those of the dark squares of a chessboard, left to right or top
 * to bottom; beside and below by glides; or every other column (row), with every other row (column) rotated by half a turn.
 * Cells that are triangles or kites are reflected and rotated about their corners, as the plane group of that name has it.
 */
export const MIRRORINGS = [
  'columns',
  'rows',
  'both',
  'chess-across',
  'chess-down',
  'glides',
  'columns-turned',
  'rows-turned',
  'p4m',
  'p4g',
  'p3m1',
  'p31m',
  'p6m',
] as const;
export type Mirroring = (typeof MIRRORINGS)[number];

/**
 * Every other cell is rotated by half a turn; or each of a block of four by a quarter turn more than the one before, of three rhombi by a third
 * of a turn, of six triangles by a sixth.
 */
export const ROTATIONS = ['half', 'quarter', 'third', 'sixth'] as const;
export type StepRotation = (typeof ROTATIONS)[number];

/** All that is particular to one way in which cells follow each other. Sizes are in the repeat's own unit. */
export interface StepKindDefinition {
  /** Whether cells stand in straight columns, each of which may be dropped; else in straight rows, each of which may be shifted. */
  readonly stacked: 'columns' | 'rows';
  /** The lattice's basis vectors of a cell; `share` is the drop, 0 to below 1. */
  basis(width: number, height: number, share: number): { readonly a: Point; readonly b: Point };
  /** How many cells side by side and one above the other repeat without any drop. */
  tileCells(drop: Fraction): { readonly columns: number; readonly rows: number };
  /** What the cell's width and height have to be multiples of, in pixels, for the drop to be whole. */
  pixelMultiples(drop: Fraction): { readonly width: number; readonly height: number };
  /** The reflections that are symmetries together with the drop. */
  mirrorings(drop: Fraction): readonly Mirroring[];
}
