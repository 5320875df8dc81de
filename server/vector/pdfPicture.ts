import { type PDFContext, type PDFRef } from 'pdf-lib';
import sharp from 'sharp';
import { deflateSync } from 'node:zlib';

/** A picture at its own pixels, with its transparency as a mask beside it. */
export async function pdfPicture(context: PDFContext, encoded: Uint8Array): Promise<PDFRef> {
  const { data, info } = await sharp(encoded)
    .toColourspace('srgb')
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  const colours = new Uint8Array(3 * width * height);
  const alpha = new Uint8Array(width * height);
  let isOpaque = true;
  for (let pixel = 0; pixel < alpha.length; pixel += 1) {
    colours.set(data.subarray(4 * pixel, 4 * pixel + 3), 3 * pixel);
    const a = data[4 * pixel + 3] as number;
    alpha[pixel] = a;
    if (a !== 255) isOpaque = false;
  }
  const mask = isOpaque ? undefined : pdfPixels(context, alpha, 'DeviceGray', width, height);
  return pdfPixels(context, colours, 'DeviceRGB', width, height, mask);
}

/** Plain pixels, row after row from the top, as a picture. */
export function pdfPixels(
  context: PDFContext,
  pixels: Uint8Array,
  ColorSpace: 'DeviceRGB' | 'DeviceGray',
  width: number,
  height: number,
  SMask?: PDFRef,
): PDFRef {
  return context.register(
    context.stream(deflateSync(pixels), {
      Type: 'XObject',
      Subtype: 'Image',
      Width: width,
      Height: height,
      ColorSpace,
      BitsPerComponent: 8,
      Filter: 'FlateDecode',
      Interpolate: true,
      ...(SMask && { SMask }),
    }),
  );
}
