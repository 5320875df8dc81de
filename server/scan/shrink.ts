import sharp from 'sharp';
import { MOST_PIXELS } from '../motifs/lossless.ts';
import { Problem } from '../problem.ts';
import type { ShrinkTask } from '../work/tasks.ts';

/** Twice what a card shows, for screens of double density. */
const LONGEST_SIDE = 480;

/** A picture small enough for a card, a WebP. @throws Problem where the file is no picture */
export async function shrink({ file }: ShrinkTask): Promise<Uint8Array> {
  try {
    return await sharp(file, { limitInputPixels: MOST_PIXELS })
      .autoOrient()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 88, smartSubsample: true })
      .toBuffer();
  } catch {
    throw new Problem(
      422,
      'Not a picture',
      'This is not a picture that can be made small. Nothing was changed; fetch it as it is.',
    );
  }
}
