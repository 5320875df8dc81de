import type { Point } from '../../../core/geometry/index.ts';
import { LARGEST_CELL_MM, proportionOf, SMALLEST_CELL_MM } from '../../../core/lattice/index.ts';
import type { PictureFrame, TileWay } from '../../../core/recipe/index.ts';
import { frameAxes, type Join, type OwnRepeat, type TileEdge, type TileWish } from '../../../core/tile/index.ts';
import { MM_PER_INCH } from '../../../core/units/index.ts';

/** A picture as far as its frame is concerned, pixels. */
export interface Sheet {
  readonly width: number;
  readonly height: number;
  readonly dpi: number;
}

/** Frames smaller than this cannot be taken hold of, pixels. */
const LEAST_SIDE = 8;

/** A corner of the box around a frame: −1 or 1 across and down. */
export interface Corner {
  readonly x: -1 | 1;
  readonly y: -1 | 1;
}

export const CORNERS: readonly Corner[] = [
  { x: -1, y: -1 },
  { x: 1, y: -1 },
  { x: 1, y: 1 },
  { x: -1, y: 1 },
];

/** The half of the picture in its middle, at its true size. */
export function firstWish({ width, height, dpi }: Sheet, way: TileWay): TileWish {
  const frame = { x: width / 2, y: height / 2, width: width / 2, height: height / 2, rotation: 0 };
  return fitting({ frame, width: (frame.width / dpi) * MM_PER_INCH, way });
}

/** The wish with a frame in the proportions that its way asks for, and a width that a cell can have. */
function fitting(wish: TileWish): TileWish {
  const { frame, width, way } = wish;
  const proportion = proportionOf(way.step);
  const fitted = proportion === undefined ? frame : { ...frame, height: frame.width * proportion };
  return { ...wish, frame: fitted, width: Math.min(LARGEST_CELL_MM, Math.max(SMALLEST_CELL_MM, width)) };
}

/** Another way; of one that asks for proportions the frame keeps its width. */
export function withWay(wish: TileWish, way: TileWay): TileWish {
  return fitting({ ...wish, way });
}

/** A ready tile, which is the whole picture unless a part of it has been framed. */
export function readyWish(wish: TileWish, way: TileWay, sheet: Sheet): TileWish {
  const first = firstWish(sheet, wish.way);
  const isFramed = JSON.stringify(wish.frame) !== JSON.stringify(first.frame);
  return withWay(isFramed ? wish : withFrame(wish, wholeFrame(sheet)), way);
}

/** Another frame on the same picture, its pixels as large on the cloth as before. */
export function withFrame(wish: TileWish, frame: PictureFrame): TileWish {
  return fitting({ ...wish, frame, width: (wish.width * frame.width) / wish.frame.width });
}

/** The frame moved, its middle kept on the picture. */
export function movedFrame(frame: PictureFrame, by: Point, { width, height }: Sheet): PictureFrame {
  return {
    ...frame,
    x: Math.min(width, Math.max(0, frame.x + by.x)),
    y: Math.min(height, Math.max(0, frame.y + by.y)),
  };
}

/** A place of the box around a frame, −1 to 1 across and down, on the picture. */
export function placeInFrame(frame: PictureFrame, at: Point): Point {
  const { across, down } = frameAxes(frame);
  return {
    x: frame.x + (at.x * across.x + at.y * down.x) / 2,
    y: frame.y + (at.x * across.y + at.y * down.y) / 2,
  };
}

/** The frame with a corner dragged to a place, the corner across from it where it was; in its proportions where those are kept. */
export function resizedFrame(
  frame: PictureFrame,
  corner: Corner,
  to: Point,
  proportion: number | undefined,
): PictureFrame {
  const still = placeInFrame(frame, { x: -corner.x, y: -corner.y });
  const angle = (frame.rotation * Math.PI) / 180;
  const [dx, dy] = [to.x - still.x, to.y - still.y];
  const down = dy * Math.cos(angle) - dx * Math.sin(angle);
  const lean = Math.tan(((frame.shear ?? 0) * Math.PI) / 180);
  let width = Math.max(LEAST_SIDE, corner.x * (dx * Math.cos(angle) + dy * Math.sin(angle) - down * lean));
  let height = Math.max(LEAST_SIDE, corner.y * down);
  if (proportion !== undefined) {
    width = Math.max(width, height / proportion);
    height = width * proportion;
  }
  return keptAt(frame, { ...frame, width, height }, { x: -corner.x, y: -corner.y });
}

/** The frame turned so that its upper side faces a place; in steps of 15° where asked. */
export function turnedFrame(frame: PictureFrame, to: Point, inSteps: boolean): PictureFrame {
  const angle = (Math.atan2(to.x - frame.x, frame.y - to.y) * 180) / Math.PI;
  const rotation = inSteps ? Math.round(angle / 15) * 15 : Math.round(angle * 10) / 10;
  return { ...frame, rotation: rotation + 0 };
}

/** All of a picture. */
export function wholeFrame({ width, height }: Sheet): PictureFrame {
  return { x: width / 2, y: height / 2, width, height, rotation: 0 };
}

/** One cell of the repeat that a picture shows by itself, about where the frame was. */
export function repeatWish(wish: TileWish, { step, likeness: _, ...cell }: OwnRepeat): TileWish {
  return withWay(withFrame(wish, { ...wish.frame, ...cell }), { kind: 'laid', step });
}

/** The frame without so many pixels along an edge. */
export function trimmedFrame(frame: PictureFrame, edge: TileEdge, count: number): PictureFrame {
  const isAcross = edge === 'left' || edge === 'right';
  const sized = isAcross ? { ...frame, width: frame.width - count } : { ...frame, height: frame.height - count };
  return keptAt(frame, sized, { x: edge === 'left' ? 1 : -1, y: edge === 'top' ? 1 : -1 });
}

/** The frame shorter by a fraction of a pixel across a join, where its picture goes on that much earlier. */
export function slippedFrame(frame: PictureFrame, join: Join, by: number): PictureFrame {
  return trimmedFrame(frame, join === 'sides' ? 'right' : 'bottom', by);
}

/** Another frame, moved so that one of its corners lies where the first's does. */
function keptAt(frame: PictureFrame, sized: PictureFrame, corner: Point): PictureFrame {
  const [from, to] = [placeInFrame(frame, corner), placeInFrame(sized, corner)];
  return { ...sized, x: sized.x + from.x - to.x, y: sized.y + from.y - to.y };
}
