import sharp from 'sharp';
import type { KeptPhoto } from '../../core/tryon/index.ts';
import { headerOf, TooManyPixels } from '../motifs/lossless.ts';
import { Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import type { PhotoTask } from './photoTask.ts';

/** Longer side that a photograph is kept with, px: more than a screen shows, and few enough to be painted while the hand moves. */
const MOST_SIDE = 3000;

/** Reads a photograph upright, in sRGB, and keeps it. @throws Problem where it is none, damaged or too large */
export async function readPhoto({ name, content, blobs }: PhotoTask): Promise<KeptPhoto> {
  const bytes = Buffer.from(content);
  try {
    await headerOf(bytes);
    const { data, info } = await sharp(bytes)
      .rotate()
      .resize({ width: MOST_SIDE, height: MOST_SIDE, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .toColourspace('srgb')
      .png()
      .toBuffer({ resolveWithObject: true });
    return { blob: new Blobs(blobs).keep(data, 'png'), width: info.width, height: info.height };
  } catch (error) {
    if (error instanceof TooManyPixels)
      throw new Problem(
        413,
        'Too large',
        `“${name}” has more than 100 megapixels. Nothing was added; make it smaller and import it again.`,
      );
    throw new Problem(
      422,
      'Cannot be read',
      `“${name}” is damaged or cut short and cannot be read. Nothing was added; save it again and import it again.`,
    );
  }
}
