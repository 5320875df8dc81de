import {
  LARGEST_CELL_MM,
  pixelGrid,
  plainRepeat,
  proportionOf,
  SMALLEST_CELL_MM,
  type Step,
  type SteppedCell,
} from '../lattice/index.ts';
import type { PictureFrame, TileRecipe } from '../recipe/index.ts';
import type { PixelImage } from '../scan/index.ts';
import { withClones } from './cloneStrokes.ts';
import { colourDrift } from './colourDrift.ts';
import { evenOut } from './evenOut.ts';
import { framePixels } from './frameSampler.ts';
import { joinedCell } from './joined.ts';
import { type JoinVisibility, joinVisibility } from './joinVisibility.ts';
import { laidTile } from './laidTile.ts';
import { type PixelCell, pixelCellOf, windowOf } from './pixelCell.ts';
import { joinedPixels, spreadSteps } from './spreadSteps.ts';
import { TileError } from './tileError.ts';

/** The largest tiles that are made, pixels: joining holds some thirty bytes for each. */
const MOST_PIXELS = 50e6;

/** What of a recipe says how a tile is made. */
export type TileWish = Pick<TileRecipe, 'frame' | 'width' | 'way' | 'clones'>;
type JoinedWay = Extract<TileRecipe['way'], { kind: 'joined' }>;

/** A picture that repeats. */
export interface MadeTile {
  /** One cell of its step. */
  readonly pixels: PixelImage;
  readonly cell: PixelCell;
  /** How much its joins show; of a picture that was not joined nothing is said. */
  readonly visibility: JoinVisibility | undefined;
  /** How far a joined picture is from the picture itself, CIEDE2000 in the mean. */
  readonly drift: number | undefined;
}

/**
 * The cell that a tile fills on the cloth, mm, and its step, which has no operations.
 *
 * @throws TileError where the frame is too small for it or not of the step's proportions, or the cell would be smaller or larger than one can be
 */
export function tileRepeat({ frame, width, way }: TileWish): SteppedCell {
  const repeat = way.kind === 'joined' ? joinedRepeat(frame, width, way) : laidRepeat(frame, width, way.step);
  const [least, most] = [Math.min(repeat.width, repeat.height), Math.max(repeat.width, repeat.height)];
  if (least < SMALLEST_CELL_MM || most > LARGEST_CELL_MM)
    throw new TileError(
      `The cell would be ${Math.round(10 * repeat.width) / 10} × ${Math.round(10 * repeat.height) / 10} mm, and cells are ${SMALLEST_CELL_MM} to ${LARGEST_CELL_MM} mm. Nothing was made; change its width on the cloth.`,
    );
  return repeat;
}

function laidRepeat(frame: PictureFrame, width: number, step: Step): SteppedCell {
  const proportion = proportionOf(step);
  if (proportion !== undefined && Math.abs(frame.height / frame.width / proportion - 1) > 1e-3)
    throw new TileError(
      `The frame has to be ${proportion.toFixed(3)} times as high as wide for this symmetry. Nothing was made; choose the symmetry again.`,
    );
  return plainRepeat({ width, height: width * (proportion ?? frame.height / frame.width), step });
}

function joinedRepeat(frame: PictureFrame, width: number, way: JoinedWay): SteppedCell {
  const { cell } = joinedGrid(frame, way);
  return { width: (width * cell.width) / frame.width, height: (width * cell.height) / frame.width, step: way.step };
}

interface Making {
  /** Is told shares of the work, 0 to 1. */
  readonly progress?: (share: number) => void;
  /** Lays a frame by the operations of a step; by itself as well as can be, and with a `LiveTile` as fast. */
  readonly lay?: typeof laidTile;
}

/**
 * Makes a picture repeat as a recipe has it, at the picture's own pixels.
 *
 * @throws TileError where the picture or the frame is too small or too large for it
 */
export function makeTile(
  picture: PixelImage,
  wish: TileWish,
  { progress = () => undefined, lay = laidTile }: Making = {},
): MadeTile {
  const made =
    wish.way.kind === 'joined' ? joinedTile(picture, wish.frame, wish.way, progress) : laid(picture, wish, lay);
  const pixels = withClones(made.pixels, made.cell, wish.clones ?? []);
  progress(1);
  return { ...made, pixels };
}

function laid(picture: PixelImage, { frame, way }: TileWish, lay: typeof laidTile): MadeTile {
  const shown = { width: frame.width, height: frame.height, step: way.step };
  const plain = plainRepeat(shown);
  checkSize(plain.width * plain.height);
  const grid = pixelGrid(shown, 1);
  const onGrid = { width: frame.width * grid.scaleX, height: frame.height * grid.scaleY, step: way.step };
  const tile = lay(grid, onGrid, picture, frame);
  const cell = pixelCellOf(grid);
  return {
    pixels: way.kind === 'halves' ? insideOut(tile, cell) : tile,
    cell,
    visibility: undefined,
    drift: undefined,
  };
}

function checkSize(pixels: number): void {
  if (pixels > MOST_PIXELS)
    throw new TileError(
      `The tile would have ${Math.round(pixels / 1e6)} megapixels, and it can have ${MOST_PIXELS / 1e6}. Nothing was made; make the frame smaller.`,
    );
}

/** The frame in whole pixels, and the cell that is left when it lies over itself. */
function joinedGrid(frame: PictureFrame, way: JoinedWay): { wide: number; high: number; cell: PixelCell } {
  const [wide, high] = [Math.round(frame.width), Math.round(frame.height)];
  const overlap = way.overlap * Math.min(wide, high);
  const cell = pixelCellOf(pixelGrid({ width: wide - overlap, height: high - overlap, step: way.step }, 1));
  const [across, down] = [wide - cell.width, high - cell.height];
  if (across < 2 || down < 2 || 2 * across > wide || 2 * down > high)
    throw new TileError(
      `A frame of ${wide} × ${high} pixels is too small to lie over itself by ${Math.round(100 * way.overlap)} % in this step. Nothing was made; make the frame or the overlap larger.`,
    );
  return { wide, high, cell };
}

function joinedTile(
  picture: PixelImage,
  frame: PictureFrame,
  way: JoinedWay,
  progress: (share: number) => void,
): MadeTile {
  checkSize(frame.width * frame.height);
  const { wide, high, cell } = joinedGrid(frame, way);
  const shown = framePixels(picture, frame, wide, high);
  progress(0.1);
  const source = way.even ? evenOut(shown) : shown;
  progress(0.2);
  const joined = joinedCell(source, cell);
  progress(0.4);
  const pixels = way.spread
    ? spreadSteps(source, joined, (share) => progress(0.4 + 0.6 * share))
    : joinedPixels(source, joined);
  return { pixels, cell, visibility: joinVisibility(pixels, joined, wide), drift: colourDrift(pixels, shown, joined) };
}

/**
 * The same plane seen from elsewhere, so that the edges of the picture cross in the middle: half a cell on, and along a drop so far that the edges of
 * both columns (rows) that are seen lie as far from the cell's own as can be.
 */
function insideOut(tile: PixelImage, cell: PixelCell): PixelImage {
  const { width, height, stacked, drop } = cell;
  const along = (size: number): number => Math.floor(2 * drop <= size ? (size + drop) / 2 : drop / 2);
  const [left, top] =
    stacked === 'columns' ? [Math.floor(width / 2), along(height)] : [along(width), Math.floor(height / 2)];
  return windowOf(tile, cell, left, top, width, height);
}
