import sharp, { type Metadata, type Sharp } from 'sharp';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { Problem } from '../problem.ts';
import type { Blobs } from '../store/blobs.ts';
import type { Reading } from './reading.ts';

export const MOST_PIXELS = 100e6;
/** Programs write 72 or 96 when they mean nothing by it. */
const LEAST_MEANT_DPI = 100;

/** Reads a PNG, JPEG, WebP, TIFF or AVIF file into sRGB pixels with their transparency. @throws Problem */
export async function readPicture(name: string, content: Buffer, blobs: Blobs): Promise<Reading> {
  const broken = new Problem(
    422,
    'Cannot be read',
    `“${name}” is damaged or cut short and cannot be read. Nothing was added; save it again and bring it anew.`,
  );
  let metadata: Metadata;
  let source: Sharp;
  try {
    source = sharp(content, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    metadata = await source.metadata();
  } catch (error) {
    throw /pixel limit/i.test(String(error)) ? tooLarge(name) : broken;
  }
  if (metadata.width * metadata.height > MOST_PIXELS) throw tooLarge(name);
  try {
    // One lossless kind for all, so that browser and server decode the same pixels.
    const { data, info } = await source
      .autoOrient()
      .toColourspace('srgb')
      .ensureAlpha()
      .png({ compressionLevel: 6 })
      .toBuffer({ resolveWithObject: true });
    const view = { x: 0, y: 0, width: info.width, height: info.height };
    const dpi = metadata.density;
    return {
      artwork: { version: 1, view, nodes: [{ kind: 'picture', blob: blobs.keep(data, 'png'), ...view }] },
      widthMm: dpi !== undefined && dpi >= LEAST_MEANT_DPI ? (info.width * MM_PER_INCH) / dpi : undefined,
      notes: [],
    };
  } catch {
    throw broken;
  }
}

function tooLarge(name: string): Problem {
  return new Problem(
    413,
    'Too large',
    `“${name}” has more than 100 megapixels. Nothing was added; make it smaller and import it again.`,
  );
}
