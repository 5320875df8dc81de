import sharp, { type Metadata } from 'sharp';
import { Problem } from '../problem.ts';
import { densityOf, headerOf, MOST_PIXELS, TooLargePicture, tooLargePicture } from '../motifs/lossless.ts';
import { sniffFile } from '../motifs/sniff.ts';
import { Blobs } from '../store/blobs.ts';
import type { PreviewTask, ScannedPicture } from '../work/tasks.ts';
import { PREVIEW_SIDE } from './pictureFile.ts';

/** A picture that names no density is taken for one of this many dots per inch. */
const UNSAID_DPI = 300;

/** Keeps a picture, with the smaller one on which the workshop shows its steps. @throws Problem */
export async function previewPicture({ name, file, blobs: folder }: PreviewTask): Promise<ScannedPicture> {
  const blobs = new Blobs(folder);
  const kind = sniffFile(file);
  if (!kind || kind === 'svg' || kind === 'svgz') throw unreadable(name);
  let metadata: Metadata;
  let shown: Buffer;
  try {
    metadata = await headerOf(file);
    shown = await sharp(file, { limitInputPixels: MOST_PIXELS })
      .autoOrient()
      .toColourspace('srgb')
      .resize({ width: PREVIEW_SIDE, height: PREVIEW_SIDE, fit: 'inside', withoutEnlargement: true })
      .png({ compressionLevel: 6 })
      .toBuffer();
  } catch (error) {
    throw error instanceof TooLargePicture ? tooLargePicture(name, error) : unreadable(name);
  }
  const upright = metadata.autoOrient;
  return {
    picture: await blobs.keepFile(file, kind),
    preview: blobs.keep(shown, 'png'),
    width: upright.width,
    height: upright.height,
    dpi: densityOf(metadata) ?? UNSAID_DPI,
  };
}

function unreadable(name: string): Problem {
  return new Problem(
    422,
    'Cannot be read',
    `“${name}” is damaged, cut short or not a picture, and cannot be put on the workshop’s table. Nothing was changed.`,
  );
}
