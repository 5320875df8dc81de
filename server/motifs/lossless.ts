import sharp, { type Metadata } from 'sharp';
import { Problem } from '../problem.ts';

export const MOST_PIXELS = 100e6;
/** Of either side: a sheet of A3 at 2,400 dpi has 39,700. */
const MOST_SIDE = 50_000;

/** Pixels in sRGB with their transparency, packed without loss: one kind for all, so that browser and server decode the same. */
export interface LosslessPicture {
  readonly png: Buffer;
  readonly width: number;
  readonly height: number;
}

/** A picture of more pixels, or of a longer side, than is read; the message says which. */
export class TooLargePicture extends Error {}

/**
 * What a picture's header says, without unpacking it.
 *
 * @param picture its content, or where it lies
 * @throws TooLargePicture; Error where it is damaged
 */
export async function headerOf(picture: Buffer | string): Promise<Metadata> {
  const metadata = await sharp(picture, { limitInputPixels: false, failOn: 'error' }).metadata();
  const { width, height } = metadata;
  if (Math.max(width, height) > MOST_SIDE)
    throw new TooLargePicture(`is longer than ${MOST_SIDE.toLocaleString('en')} pixels`);
  if (width * height > MOST_PIXELS) throw new TooLargePicture(`has more than ${MOST_PIXELS / 1e6} megapixels`);
  return metadata;
}

/** What is said of a picture that is too large. */
export function tooLargePicture(name: string, { message }: TooLargePicture): Problem {
  return new Problem(413, 'Too large', `“${name}” ${message}. Nothing was added; make it smaller and import it again.`);
}

/** Programs write 72 or 96 dots per inch when they mean nothing by it, and some write what nobody can mean. */
const MEANT_DPI = { least: 100, most: 5000 };

/** The density that a picture was given on purpose, dpi. */
export function densityOf({ density }: Metadata): number | undefined {
  return density !== undefined && density >= MEANT_DPI.least && density <= MEANT_DPI.most ? density : undefined;
}

/**
 * Unpacks a PNG, JPEG, WebP, GIF (its first picture), TIFF or AVIF file, upright, its colour profile applied.
 *
 * @throws TooLargePicture; Error where it is damaged or cut short
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
