import sharp, { type Metadata } from 'sharp';
import { Problem } from '../problem.ts';
import { MOST_PIXELS } from '../motifs/lossless.ts';
import { Blobs } from '../store/blobs.ts';
import type { PreviewTask, ScannedPicture } from '../work/tasks.ts';
import { PREVIEW_SIDE } from './pictureFile.ts';

/** A picture that names no density is taken for one of this many dots per inch. */
const UNSAID_DPI = 300;
const LEAST_MEANT_DPI = 100;

/** Keeps the smaller picture on which the workshop shows its steps. @throws Problem */
export async function previewPicture({ name, picture, blobs: folder }: PreviewTask): Promise<ScannedPicture> {
  const blobs = new Blobs(folder);
  let metadata: Metadata;
  try {
    metadata = await sharp(blobs.pathOf(picture), { limitInputPixels: MOST_PIXELS }).metadata();
    const shown = await sharp(blobs.pathOf(picture), { limitInputPixels: MOST_PIXELS })
      .autoOrient()
      .toColourspace('srgb')
      .resize({ width: PREVIEW_SIDE, height: PREVIEW_SIDE, fit: 'inside', withoutEnlargement: true })
      .png({ compressionLevel: 6 })
      .toBuffer();
    const upright = metadata.autoOrient;
    return {
      picture,
      preview: blobs.keep(shown, 'png'),
      width: upright.width,
      height: upright.height,
      dpi: metadata.density !== undefined && metadata.density >= LEAST_MEANT_DPI ? metadata.density : UNSAID_DPI,
    };
  } catch {
    throw new Problem(
      422,
      'Cannot be read',
      `“${name}” is damaged, cut short or no picture, and cannot be put on the workshop’s table. Nothing was changed.`,
    );
  }
}
