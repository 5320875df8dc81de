import type { Box } from '../../core/geometry/index.ts';
import { pixelGrid, type Repeat } from '../../core/lattice/index.ts';
import { type CanvasBackend, paintingGround, type PatternedScene } from '../../core/paint/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { nodeSurface } from '../paint/nodeBackend.ts';

/** What a vector file holds in place of a ground of more than one colour. */
export interface GroundPicture {
  /** PNG. */
  readonly content: Uint8Array;
  /** Where it lies on the cloth, mm. */
  readonly box: Box;
}

/** Dots per inch of the cloth, unless that were more than so many pixels. */
const DPI = 300;
const MOST_PIXELS = 2.5e7;

/** Paints the ground of a part of the cloth as one picture, which no reader can show seams in. @param part mm */
export async function groundPicture(
  ground: PatternedScene,
  repeat: Repeat,
  part: Box,
  backend: CanvasBackend,
): Promise<GroundPicture> {
  const area = (part.right - part.left) * (part.bottom - part.top);
  const grid = pixelGrid(repeat, Math.min(DPI / MM_PER_INCH, Math.sqrt(MOST_PIXELS / area)));
  const window: Box = {
    left: Math.floor(part.left * grid.scaleX),
    top: Math.floor(part.top * grid.scaleY),
    right: Math.ceil(part.right * grid.scaleX),
    bottom: Math.ceil(part.bottom * grid.scaleY),
  };
  const surface = nodeSurface(window.right - window.left, window.bottom - window.top);
  for (const share of paintingGround(surface.context, ground, { grid, window }, backend)) void share;
  const content = await surface.canvas.encode('png');
  return {
    content,
    box: {
      left: window.left / grid.scaleX,
      top: window.top / grid.scaleY,
      right: window.right / grid.scaleX,
      bottom: window.bottom / grid.scaleY,
    },
  };
}
