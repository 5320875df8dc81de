import sharp, { type Metadata } from 'sharp';

export const MOST_PIXELS = 100e6;

/** Pixels in sRGB with their transparency, packed without loss: one kind for all, so that browser and server decode the same. */
export interface LosslessPicture {
  readonly png: Buffer;
  readonly width: number;
  readonly height: number;
}

/** A picture of more than 100 megapixels. */
export class TooManyPixels extends Error {}

/** What a picture's header says, without unpacking it. @throws TooManyPixels; Error where it is damaged */
export async function headerOf(content: Buffer): Promise<Metadata> {
  let metadata: Metadata;
  try {
    metadata = await sharp(content, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).metadata();
  } catch (error) {
    throw /pixel limit/i.test(String(error)) ? new TooManyPixels() : error;
  }
  if (metadata.width * metadata.height > MOST_PIXELS) throw new TooManyPixels();
  return metadata;
}

/**
 * Unpacks a PNG, JPEG, WebP, GIF (its first picture), TIFF or AVIF file, upright, its colour profile applied.
 *
 * @throws TooManyPixels; Error where it is damaged or cut short
 */
export async function lossless(content: Buffer): Promise<LosslessPicture> {
  const { depth, icc } = await headerOf(content);
  const source = sharp(content, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
  // Of pictures with 16 bits the profile is only applied on the way to another one.
  const settled = depth === 'ushort' && icc ? source.withIccProfile('srgb') : source;
  const { data, info } = await settled
    .autoOrient()
    .toColourspace('srgb')
    .ensureAlpha()
    .png({ compressionLevel: 6 })
    .toBuffer({ resolveWithObject: true });
  return { png: data, width: info.width, height: info.height };
}
