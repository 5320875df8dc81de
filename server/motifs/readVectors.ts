import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { cleanSvg, type CleanSvg, readSvg, svgLengthMm, Unsupported, XmlError } from '../../core/motif/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { Problem } from '../problem.ts';
import type { Blobs } from '../store/blobs.ts';
import { NATURAL_LONG_SIDE_MM } from './naturalSize.ts';
import type { Reading } from './reading.ts';
import { MOST_PIXELS, readPicture } from './readPicture.ts';

const EMBEDDED = /data:image\/(?:png|jpe?g|webp|gif);base64,([\sA-Za-z0-9+/=]*)/gi;
const MOST_SVG_BYTES = 10 * 1024 * 1024;
/** A drawing that has to be rendered is this sharp at its natural size, within bounds; filters take the square of it in time. */
const RENDERED_DPI = 400;
const LEAST_LONG_SIDE = 800;
const MOST_LONG_SIDE = 2000;

/** Reads an SVG file as vectors, or as a rendered picture where the model cannot hold it. @throws Problem */
export async function readVectors(name: string, content: Buffer, blobs: Blobs): Promise<Reading> {
  if (content.byteLength > MOST_SVG_BYTES)
    throw new Problem(
      413,
      'Too large',
      `“${name}” is larger than 10 MB of SVG. Nothing was added; simplify it and import it again.`,
    );
  let clean: CleanSvg;
  try {
    clean = cleanSvg(content.toString('utf8').replace(/^\ufeff/, ''));
  } catch (error) {
    if (error instanceof XmlError)
      throw new Problem(422, 'Cannot be read', `“${name}” cannot be read: ${error.message}. Nothing was added.`);
    throw error;
  }
  await checkEmbedded(name, clean.text);
  const notes = clean.left.map((what) => `“${name}” held ${what}, which was left out.`);
  let drawing: Resvg;
  try {
    drawing = new Resvg(clean.text, { font: { loadSystemFonts: clean.hasText } });
  } catch {
    throw new Problem(422, 'Cannot be read', `“${name}” is no drawing that can be read. Nothing was added.`);
  }
  const own = svgLengthMm(clean.width);
  try {
    const { view, nodes } = readSvg(drawing.toString(), (url) => keepEmbedded(url, blobs));
    return { artwork: { version: 1, view, nodes }, widthMm: own, notes };
  } catch (error) {
    if (!(error instanceof Unsupported)) throw error;
    const upright = drawing.height > drawing.width;
    const longSideMm =
      own === undefined ? NATURAL_LONG_SIDE_MM : upright ? (own * drawing.height) / drawing.width : own;
    const side = Math.round(
      Math.min(MOST_LONG_SIDE, Math.max(LEAST_LONG_SIDE, (longSideMm / MM_PER_INCH) * RENDERED_DPI)),
    );
    const fit = upright ? ({ mode: 'height', value: side } as const) : ({ mode: 'width', value: side } as const);
    const png = new Resvg(clean.text, { fitTo: fit, font: { loadSystemFonts: clean.hasText } }).render().asPng();
    const picture = await readPicture(name, Buffer.from(png), blobs);
    return {
      ...picture,
      widthMm: own,
      notes: [
        ...notes,
        `“${name}” uses ${error.message}, which cannot be kept as vectors; it was rendered ${side} px on its long side instead.`,
      ],
    };
  }
}

/** Refuses pictures within the drawing that would not be taken by themselves either, before anything unpacks them. @throws Problem */
async function checkEmbedded(name: string, text: string): Promise<void> {
  let pixels = 0;
  for (const [, data = ''] of text.matchAll(EMBEDDED)) {
    const { width = 0, height = 0 } = await sharp(Buffer.from(data, 'base64'), { limitInputPixels: false })
      .metadata()
      // What is no picture is left to the reader, which leaves it out.
      .catch(() => ({ width: 0, height: 0 }));
    pixels += width * height;
    if (pixels > MOST_PIXELS)
      throw new Problem(
        422,
        'Too many pixels',
        `The pictures in “${name}” have more than 100 megapixels. Nothing was added; make them smaller and import it again.`,
      );
  }
}

function keepEmbedded(url: string, blobs: Blobs): string {
  const [, type, data] = /^data:image\/(png|jpe?g|webp|gif);base64,\s*(.*)$/s.exec(url) ?? [];
  if (!data || type === 'gif') throw new Unsupported('an embedded picture of another kind');
  return blobs.keep(Buffer.from(data, 'base64'), type === 'png' ? 'png' : type === 'webp' ? 'webp' : 'jpg');
}
