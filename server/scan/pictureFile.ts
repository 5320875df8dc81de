import sharp from 'sharp';
import type { PixelImage } from '../../core/scan/index.ts';
import { Problem } from '../problem.ts';
import type { Blobs } from '../store/blobs.ts';
import { MOST_PIXELS } from '../motifs/lossless.ts';

/** Long side of the picture that the workshop shows, pixels. */
export const PREVIEW_SIDE = 1600;

/** The pixels of a kept picture. @throws Problem where it is not there or cannot be decoded */
export async function readPixels(address: string, blobs: Blobs): Promise<PixelImage> {
  if (!blobs.has(address))
    throw new Problem(
      422,
      'Not there',
      'The picture that this is made from is not kept here. Nothing was changed; scan or import it again.',
    );
  await blobs.touch(address);
  try {
    const { data, info } = await sharp(blobs.pathOf(address), { limitInputPixels: MOST_PIXELS })
      .autoOrient()
      .toColourspace('srgb')
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    return {
      width: info.width,
      height: info.height,
      data: new Uint8ClampedArray(data.buffer, data.byteOffset, data.byteLength),
    };
  } catch {
    throw new Problem(
      422,
      'Cannot be read',
      'This picture is damaged or cut short and cannot be read. Nothing was changed; scan or import it again.',
    );
  }
}

/** Keeps pixels as a PNG. */
export async function keepPixels({ width, height, data }: PixelImage, blobs: Blobs, dpi?: number): Promise<string> {
  const image = sharp(data, { raw: { width, height, channels: 4 } });
  return blobs.keep(
    await (dpi === undefined ? image : image.withMetadata({ density: dpi })).png({ compressionLevel: 4 }).toBuffer(),
    'png',
  );
}

/** A part of a picture, the box being the person's. @throws Problem where none of the picture is in it */
export function checkedCrop(run: () => PixelImage): PixelImage {
  try {
    return run();
  } catch (error) {
    if (error instanceof RangeError)
      throw new Problem(
        422,
        'Nothing left',
        'The crop leaves nothing of the picture. Nothing was changed; draw it again.',
      );
    throw error;
  }
}
