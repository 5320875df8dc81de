import { readFile } from 'node:fs/promises';
import sharp from 'sharp';
import type { KeptPhoto } from '../../core/tryon/index.ts';
import { headerOf, TooLargePicture, tooLargePicture } from '../motifs/lossless.ts';
import { Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import type { PhotoTask } from './photoTask.ts';

/** Longer side that a photograph is kept with, px: more than a screen shows, and few enough to be painted while the hand moves. */
const MOST_SIDE = 3000;

/** Reads a photograph upright, in sRGB, and keeps it. @throws Problem where it is none, damaged or too large */
export async function readPhoto({ name, file, blobs }: PhotoTask): Promise<KeptPhoto> {
  const bytes = await readFile(file);
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
    if (error instanceof TooLargePicture) throw tooLargePicture(name, error);
    throw new Problem(
      422,
      'Cannot be read',
      `“${name}” is damaged or cut short and cannot be read. Nothing was added; save it again and import it again.`,
    );
  }
}
