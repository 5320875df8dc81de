import { type FrameSeams, frameSeams } from '../../core/tile/index.ts';
import { Blobs } from '../store/blobs.ts';
import type { SeamsTask } from './seamsTask.ts';
import { readPixels } from './pictureFile.ts';
import { orRefused } from './tileRefusal.ts';

/** Looks at the edges of a frame on a kept picture. @throws Problem */
export async function seams({ picture, frame, blobs }: SeamsTask): Promise<FrameSeams> {
  const pixels = await readPixels(picture, new Blobs(blobs));
  return orRefused(() => frameSeams(pixels, frame));
}
