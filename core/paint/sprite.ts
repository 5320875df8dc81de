import { compositeOf, cornersAround, type Placement, shapeMatrix } from '../document/index.ts';
import {
  type Box,
  boxAround,
  compose,
  intersectBoxes,
  type Point,
  scalingMatrix,
  shiftBox,
  translationMatrix,
} from '../geometry/index.ts';
import { type PixelGrid, toFundamentalDomain } from '../lattice/index.ts';
import type { DrawnMotif } from '../motif/index.ts';
import { cellCut } from './cellCut.ts';
import type { Canvas2D, CanvasBackend, OffscreenSurface } from './canvasBackend.ts';
import { paintArtwork } from './paintArtwork.ts';
import type { Scene } from './scene.ts';

/** Where a placement's sprite goes: whole pixels, relative to the placement's anchor. */
export interface SpritePlace {
  /** Whole pixel at or before the centre, on the plane. */
  readonly anchor: Point;
  /** The rest, 0 to below 1. */
  readonly phase: Point;
  /** Whole-pixel box of the motif, relative to the anchor. */
  readonly box: Box;
}

/** Pixels of margin all round: what antialiasing spreads over the edge, and room in which the engine need not clip. */
const MARGIN = 2;

/** Where the placement's pixels lie on the grid; the anchor is in the cell at the origin. */
export function spritePlace(placement: Placement, { motif }: DrawnMotif, grid: PixelGrid): SpritePlace {
  const centre = toFundamentalDomain(grid.lattice, { x: placement.x * grid.scaleX, y: placement.y * grid.scaleY });
  const anchor = { x: Math.floor(centre.x), y: Math.floor(centre.y) };
  const phase = { x: centre.x - anchor.x, y: centre.y - anchor.y };
  const corners = boxAround(
    cornersAround(placement, motif).map(({ x, y }) => ({ x: x * grid.scaleX, y: y * grid.scaleY })),
  );
  return {
    anchor,
    phase,
    box: {
      left: Math.floor(corners.left + phase.x) - MARGIN,
      top: Math.floor(corners.top + phase.y) - MARGIN,
      right: Math.ceil(corners.right + phase.x) + MARGIN,
      bottom: Math.ceil(corners.bottom + phase.y) + MARGIN,
    },
  };
}

/**
 * Paints one motif, alone and whole, on a sheet of the size of `part`.
 *
 * Every instance is then this same sheet laid down by a whole number of pixels: that is what makes all of them the same
 * to the bit, which drawing each instance by itself would not (paths are placed in single precision).
 *
 * @param part pixels relative to the placement's anchor; the place's own box unless only some of it is wanted
 */
export function paintSprite(
  sheet: OffscreenSurface,
  placement: Placement,
  { motif, artwork }: DrawnMotif,
  place: SpritePlace,
  part: Box,
  grid: PixelGrid,
  { resolve, mixing }: Pick<Scene, 'resolve' | 'mixing'>,
  backend: CanvasBackend,
): void {
  const width = part.right - part.left;
  const height = part.bottom - part.top;
  sheet.resize(width, height);
  const { phase } = place;
  const matrix = compose(
    translationMatrix(phase.x - part.left, phase.y - part.top),
    compose(scalingMatrix(grid.scaleX, grid.scaleY), shapeMatrix(placement, motif)),
  );
  paintArtwork(sheet.context, artwork.nodes, matrix, {
    backend,
    resolve: (ink) => resolve(ink, motif.id),
    mixing,
    width,
    height,
  });
  const cut = cellCut(placement, motif, place, grid);
  if (cut) clearOutside(sheet.context, shiftBox(cut, { x: -part.left, y: -part.top }), width, height);
}

/** Clears a sheet of such a size but for a box of whole pixels. */
function clearOutside(surface: Canvas2D, { left, top, right, bottom }: Box, width: number, height: number): void {
  surface.setTransform(1, 0, 0, 1, 0, 0);
  for (const [x, y, x2, y2] of [
    [0, 0, width, top],
    [0, bottom, width, height],
    [0, 0, left, height],
    [right, 0, width, height],
  ] as const)
    if (x2 > x && y2 > y) surface.clearRect(x, y, x2 - x, y2 - y);
}

/** Everything that a sprite's pixels depend on. Phases are compared to a millionth of a pixel, which never shows. */
export function spriteKey(
  placement: Placement,
  { motif }: DrawnMotif,
  place: SpritePlace,
  part: Box,
  grid: PixelGrid,
  { colours }: Pick<Scene, 'colours'>,
): string {
  const { phase } = place;
  const cut = cellCut(placement, motif, place, grid);
  return [
    // The same artwork can be printed otherwise in another motif.
    motif.id,
    motif.artwork,
    motif.width,
    placement.rotation,
    placement.scale,
    placement.aspect,
    placement.skew,
    placement.flipped,
    Math.round(phase.x * 1e6),
    Math.round(phase.y * 1e6),
    part.left,
    part.top,
    part.right,
    part.bottom,
    grid.scaleX,
    grid.scaleY,
    colours,
    ...(cut ? [cut.left, cut.top, cut.right, cut.bottom] : []),
  ].join(' ');
}

/** Lays a painted sprite so that its placement's anchor is at `at`, a whole pixel of the surface. */
export function drawSprite(
  surface: Canvas2D,
  sheet: Pick<OffscreenSurface, 'pixels'>,
  part: Box,
  at: Point,
  { opacity, blend }: Pick<Placement, 'opacity' | 'blend'>,
  backend: CanvasBackend,
): void {
  surface.globalAlpha = opacity;
  surface.globalCompositeOperation = compositeOf(blend);
  backend.drawPixels(surface, sheet.pixels, {
    x: at.x + part.left,
    y: at.y + part.top,
    width: part.right - part.left,
    height: part.bottom - part.top,
  });
  surface.globalAlpha = 1;
  surface.globalCompositeOperation = 'source-over';
}

/** Stamps larger than this are painted only where the window shows them. */
const LARGEST_SPRITE_PIXELS = 1 << 24;

/** The part of a sprite worth painting: all of it, or for a huge one what `window` can show of it. */
export function partWorthPainting(box: Box, at: Point, window: Box): Box | undefined {
  const pixels = (box.right - box.left) * (box.bottom - box.top);
  if (pixels <= LARGEST_SPRITE_PIXELS) return box;
  return intersectBoxes(box, {
    left: window.left - at.x,
    top: window.top - at.y,
    right: window.right - at.x,
    bottom: window.bottom - at.y,
  });
}

/** Side of the blocks that a huge sprite is painted in, pixels. */
const BLOCK = 2048;

/**
 * The parts of a sprite worth painting for a window: all of it, or of a huge one what the window shows.
 *
 * @param exact whether a pixel has to be the same to the bit in every window: blocks that lie the same for all of them are then painted whole
 */
export function partsWorthPainting(box: Box, at: Point, window: Box, exact: boolean): readonly Box[] {
  const part = partWorthPainting(box, at, window);
  if (!part) return [];
  if (part === box || !exact) return [part];
  const blocks: Box[] = [];
  const firstOf = (from: number, edge: number): number => edge + Math.floor((from - edge) / BLOCK) * BLOCK;
  for (let top = firstOf(part.top, box.top); top < part.bottom; top += BLOCK)
    for (let left = firstOf(part.left, box.left); left < part.right; left += BLOCK)
      blocks.push({ left, top, right: Math.min(box.right, left + BLOCK), bottom: Math.min(box.bottom, top + BLOCK) });
  return blocks;
}
