import { growBox } from '../geometry/index.ts';
import { fitError, type FitError, pixelGrid, type PixelGrid, type Repeat } from '../lattice/index.ts';
import { MM_PER_INCH } from '../units/index.ts';
import type { ExportOrder } from './exportOrder.ts';
import { type ExportSize, wishedScale } from './exportSize.ts';
import { extentPixels, measureExtent } from './extent.ts';
import { RASTER_FORMATS } from './rasterFormat.ts';
import { marksMargin, type PageBoxes } from './trimMarks.ts';

/** What will be made of an order. */
export interface ExportPlan extends PageBoxes {
  readonly grid: PixelGrid;
  readonly width: number;
  readonly height: number;
  readonly error: FitError;
  /** How much taller the pattern is than it is drawn, as a share: 0 unless both sides were made powers of two. */
  readonly stretch: number;
  /** Why the file cannot be made, where it cannot, and what helps. */
  readonly refusal: string | undefined;
}

/** Painted in strips, so that only a row has to fit a canvas. */
const LONGEST_ROW = 32_000;
const SMALLER = 'Choose a lower density or a smaller size.';

/** How an order comes out in whole pixels, and what that costs. */
export function exportPlan(repeat: Repeat, order: ExportOrder): ExportPlan {
  const { extent, size, bleed, marks } = order;
  const wished = wishedScale(size, repeat, measureExtent(extent, repeat).width);
  const grid = pixelGrid(repeat, wished.x, wished.y);
  const density = wished.dpi ?? grid.scaleX * MM_PER_INCH;
  const { width, height } = extentPixels(extent, repeat, grid, wished);
  const trim = { left: 0, top: 0, right: width, bottom: height };
  const [across, down] =
    bleed.unit === 'px'
      ? [Math.round(bleed.amount), Math.round(bleed.amount)]
      : [Math.round(bleed.amount * grid.scaleX), Math.round(bleed.amount * grid.scaleY)];
  const painted = growBox(trim, across, down);
  const margin = marks ? marksMargin(density) : 0;
  const page = growBox(painted, margin, margin);
  const plan = {
    grid,
    density,
    trim,
    painted,
    page,
    width: page.right - page.left,
    height: page.bottom - page.top,
    // By the pixels that an inch of the cloth is to have: printed larger than it is, it is so on purpose.
    error: fitError(repeat, grid, wished.dpi === undefined ? density : wished.x * MM_PER_INCH),
    stretch: size.kind === 'texture' ? grid.scaleY / grid.scaleX - 1 : 0,
  };
  return { ...plan, refusal: refusalOf(plan, order, wished) };
}

function refusalOf(
  { grid, width, height }: Omit<ExportPlan, 'refusal'>,
  { format, extent, size }: ExportOrder,
  wished: { readonly x: number },
): string | undefined {
  const megapixels = (width * height) / 1e6;
  const longest = Math.max(width, height);
  const { name, longestSide, mostMegapixels } = RASTER_FORMATS[format];
  if (size.kind === 'texture') {
    const refusal = textureRefusal(grid, extent.kind, size, wished);
    if (refusal) return refusal;
  }
  if (megapixels > mostMegapixels)
    return `That would be ${Math.round(megapixels)} megapixels; the most for a ${name} is ${mostMegapixels}. ${SMALLER}`;
  if (width > LONGEST_ROW) return `The file would be ${width} pixels wide; the maximum is ${LONGEST_ROW}. ${SMALLER}`;
  if (longest > longestSide)
    return `The file would be ${longest} pixels long; a ${name} has at most ${longestSide}. ${SMALLER}`;
  return undefined;
}

function textureRefusal(
  { tile, scaleX }: PixelGrid,
  extent: string,
  { side }: Extract<ExportSize, { kind: 'texture' }>,
  wished: { readonly x: number },
): string | undefined {
  if (extent !== 'tile')
    return 'Only a tile can have sides that are powers of two. Choose the tile, or give the size in another way.';
  const isPower = (n: number): boolean => Number.isInteger(Math.log2(n));
  if (isPower(tile.width) && isPower(tile.height) && Math.abs(scaleX / wished.x - 1) < 1e-9) return undefined;
  const { columns, rows } = tile;
  return `The tile is ${columns} cells wide and ${rows} high, which ${side} pixels cannot be divided into. Choose a step of halves or quarters, or give the size in another way.`;
}
