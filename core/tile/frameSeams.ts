import type { PictureFrame } from '../recipe/index.ts';
import type { PixelImage } from '../scan/index.ts';
import { framePixels } from './frameSampler.ts';
import { checkSeams, type SeamReport } from './seamCheck.ts';
import { TileError } from './tileError.ts';

/** Below this a tile has no inside to hold its joins against, pixels. */
const LEAST_SIDE = 16;
const MOST_PIXELS = 50e6;

/** What a look at the edges says, and of how many pixels. */
export interface FrameSeams extends SeamReport {
  readonly width: number;
  readonly height: number;
}

/** Whether what a frame shows of a picture repeats by itself. @throws TileError where it is too small or too large to be told */
export function frameSeams(picture: PixelImage, frame: PictureFrame): FrameSeams {
  const [width, height] = [Math.round(frame.width), Math.round(frame.height)];
  if (Math.min(width, height) < LEAST_SIDE)
    throw new TileError(`A frame of ${width} × ${height} pixels is too small to tell its edges by.`);
  if (width * height > MOST_PIXELS)
    throw new TileError(
      `The frame has ${Math.round((width * height) / 1e6)} megapixels, and edges are looked at up to ${MOST_PIXELS / 1e6}.`,
    );
  return { ...checkSeams(framePixels(picture, frame, width, height)), width, height };
}
