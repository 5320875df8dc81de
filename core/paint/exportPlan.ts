import { fitError, type FitError, pixelGrid, type PixelGrid, type Repeat, tileOf } from '../lattice/index.ts';
import { MM_PER_INCH } from '../units/index.ts';

/** What is wished for: a density, or a width in pixels of the file. */
export type ExportSize = { readonly dpi: number } | { readonly width: number };

/** What will be made of the wish. */
export interface ExportPlan {
  /** Wished pixels per millimetre. */
  readonly scale: number;
  /** Written into the file, dots per inch. */
  readonly density: number;
  readonly grid: PixelGrid;
  readonly error: FitError;
  /** A sentence, where the file would be larger than can be made. */
  readonly refusal: string | undefined;
}

export const LEAST_DPI = 10;
export const MOST_DPI = 2400;
/** A canvas reaches no further a side. */
const LONGEST_CELL_SIDE = 32_000;
const MOST_MEGAPIXELS = 400;

/** How a repeat comes out in whole pixels at a wished density or width, and what that costs. */
export function exportPlan(repeat: Repeat, size: ExportSize): ExportPlan {
  const scale = 'dpi' in size ? size.dpi / MM_PER_INCH : size.width / tileOf(repeat).width;
  const grid = pixelGrid(repeat, scale);
  const density = 'dpi' in size ? size.dpi : grid.scaleX * MM_PER_INCH;
  const megapixels = (grid.tile.width * grid.tile.height) / 1e6;
  const side = Math.max(grid.cell.width, grid.cell.height);
  const refusal =
    megapixels > MOST_MEGAPIXELS
      ? `That would be ${Math.round(megapixels)} megapixels; the most is ${MOST_MEGAPIXELS}.`
      : side > LONGEST_CELL_SIDE
        ? `The cell would be ${side} pixels long; the most is ${LONGEST_CELL_SIDE}.`
        : undefined;
  return { scale, density, grid, error: fitError(repeat, grid, density), refusal };
}
