import { pixelGrid, type PixelGrid, type Repeat, tileOf } from '../lattice/index.ts';

/**
 * How the cloth on screen is painted at a scale.
 *
 * - `cell`: the cell at screen scale, laid as a repeating fill.
 * - `window`: the cell is larger than what is seen, so only what is seen (and a margin) is painted.
 * - `far`: the cell is so small that rounding it to whole pixels would show; its tile is painted
 *   `reduction` times larger, where rounding does not matter, and averaged down (see reduceUnit).
 */
export interface ClothPlan {
  readonly kind: 'cell' | 'window' | 'far';
  readonly grid: PixelGrid;
  /** Painted pixels per screen pixel; 1 unless far. */
  readonly reduction: number;
  /** Screen pixels per millimetre, exactly as painted. */
  readonly scaleX: number;
  readonly scaleY: number;
}

/** Below this many pixels, half a pixel of rounding is more than two thousandths of the cell. */
const SMALLEST_CELL = 256;
/** A tile of a far plan stays below this many pixels a side. */
const LARGEST_FAR_SIDE = 8192;
/** And below this many pixels in all, so that it is painted and reduced between two looks. */
const LARGEST_FAR_AREA = 1 << 22;

/**
 * The plan for a scale.
 *
 * @param scale wished screen pixels per millimetre
 * @param seen pixels of the screen that the cloth covers
 */
export function clothPlan(repeat: Repeat, scale: number, seen: { width: number; height: number }): ClothPlan {
  const shorter = Math.min(repeat.width, repeat.height) * scale;
  // A drop of p/q rounds to multiples of q, so a cell must be q times as large for the same error.
  const enough = SMALLEST_CELL * Math.max(1, repeat.step.drop.q / 2);
  if (shorter < enough) {
    const { width, height } = tileOf(repeat);
    const fits = (by: number): boolean =>
      Math.max(width, height) * scale * by < LARGEST_FAR_SIDE && width * height * (scale * by) ** 2 < LARGEST_FAR_AREA;
    let reduction = 1;
    while (shorter * reduction < enough && fits(reduction * 2)) reduction *= 2;
    if (reduction > 1) {
      const grid = pixelGrid(repeat, scale * reduction);
      return { kind: 'far', grid, reduction, scaleX: grid.scaleX / reduction, scaleY: grid.scaleY / reduction };
    }
  }
  const grid = pixelGrid(repeat, scale);
  const kind = grid.cell.width * grid.cell.height > 1.5 * seen.width * seen.height ? 'window' : 'cell';
  return { kind, grid, reduction: 1, scaleX: grid.scaleX, scaleY: grid.scaleY };
}
