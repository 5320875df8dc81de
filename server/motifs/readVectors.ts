import { Resvg } from '@resvg/resvg-js';
import {
  cleanSvg,
  cleanText,
  type CleanSvg,
  type KeptPicture,
  openSvg,
  readSvg,
  Unsupported,
  XmlError,
} from '../../core/svg/index.ts';
import { Problem } from '../problem.ts';
import type { Blobs } from '../store/blobs.ts';
import { DamagedFile, drawingText } from './drawingText.ts';
import { openEmbedded } from './embedded.ts';
import { TooLargePicture } from './lossless.ts';
import { NATURAL_LONG_SIDE_MM } from './naturalSize.ts';
import { partPainter } from './partPainter.ts';
import type { Reading } from './reading.ts';
import type { StudioFont } from '../work/tasks.ts';
import { knownFonts, shippedFontFiles } from './shippedFonts.ts';

const MOST_SVG_BYTES = 10 * 1024 * 1024;

/** Reads an SVG file as vectors; parts that artwork cannot hold become pictures. @throws Problem */
export async function readVectors(
  name: string,
  content: Buffer,
  blobs: Blobs,
  fonts: readonly StudioFont[] = [],
): Promise<Reading> {
  const { clean, text } = await normalised(name, content, blobs, fonts);
  try {
    const sources = {
      keep: keeper(blobs),
      paint: partPainter(blobs, clean.width, NATURAL_LONG_SIDE_MM),
    };
    const { view, nodes, painted } = readSvg(text, sources, clean.hasPage);
    return {
      artwork: { version: 1, view, nodes },
      widthMm: clean.width ?? (clean.height === undefined ? undefined : (clean.height * view.width) / view.height),
      notes: [...lostNotes(clean.left), ...paintedNotes(painted)],
      fonts: clean.fonts,
    };
  } catch (error) {
    if (error instanceof Unsupported)
      throw new Problem(422, 'Cannot be read', `“${name}” is ${error.message}. Nothing was added.`);
    if (error instanceof XmlError) throw tooComplicated(name, error);
    throw error;
  }
}

/** Of a drawing that says in few words what is much once it is written out. */
export function tooComplicated(name: string, { message }: XmlError): Problem {
  return new Problem(
    422,
    'Too complicated',
    `“${name}” is too complicated: ${message.replace(/^it holds/, 'written out, it holds')}. Nothing was added; simplify it and import it again.`,
  );
}

/**
 * A drawing cleaned, and the same as engines write it: shapes as paths, styles resolved, `use` expanded.
 *
 * @throws Problem where it cannot be read
 */
export async function normalised(
  name: string,
  content: Buffer,
  blobs: Blobs,
  fonts: readonly StudioFont[],
): Promise<{ readonly clean: CleanSvg; readonly text: string }> {
  const clean = await cleaned(name, content, fonts);
  const files = clean.hasText
    ? [...(await shippedFontFiles(blobs)), ...fonts.map(({ file }) => blobs.pathOf(file))]
    : [];
  try {
    // Letters that none of these have are taken from the machine's own fonts.
    const engine = new Resvg(cleanText(clean.root), {
      font: { loadSystemFonts: clean.hasText, fontFiles: files },
    });
    return { clean, text: engine.toString() };
  } catch {
    throw new Problem(
      422,
      'Cannot be read',
      `“${name}” cannot be read as a drawing. Nothing was added; save it again and import it again.`,
    );
  }
}

async function cleaned(name: string, content: Buffer, fonts: readonly StudioFont[]): Promise<CleanSvg> {
  try {
    const opened = openSvg(await drawingText(content, MOST_SVG_BYTES));
    const known = knownFonts(fonts);
    return cleanSvg(opened, await openEmbedded(opened.addresses, known, MOST_SVG_BYTES), known);
  } catch (error) {
    if (error instanceof XmlError)
      throw new Problem(422, 'Cannot be read', `“${name}” cannot be read: ${error.message}. Nothing was added.`);
    if (error instanceof DamagedFile)
      throw new Problem(
        422,
        'Cannot be read',
        `“${name}” is damaged or cut short and cannot be read. Nothing was added; save it again and import it again.`,
      );
    if (error instanceof RangeError)
      throw new Problem(
        413,
        'Too large',
        `“${name}” is larger than 10 MB of SVG. Nothing was added; simplify it and import it again.`,
      );
    if (error instanceof TooLargePicture)
      throw new Problem(
        422,
        'Too many pixels',
        `A picture in “${name}” is too large, or all together are: it ${error.message.replace(/^have/, 'has')}. Nothing was added; make them smaller and import it again.`,
      );
    throw error;
  }
}

function lostNotes(left: readonly string[]): string[] {
  if (left.length === 0) return [];
  const isLinked = left.some((what) => /linked|link to/.test(what));
  return [`Left out: ${left.join(', ')}.${isLinked ? ' Embed what is linked and import the drawing again.' : ''}`];
}

function paintedNotes(painted: readonly string[]): string[] {
  if (painted.length === 0) return [];
  return [`Kept as a picture where it has ${painted.join(', ')}; the rest stays vectors.`];
}

/** Keeps the pictures of a drawing, which are lossless already, each once. */
function keeper(blobs: Blobs): (dataUrl: string) => KeptPicture {
  const kept = new Map<string, KeptPicture>();
  return (url) => {
    const known = kept.get(url);
    if (known) return known;
    const png = Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
    // The header of a PNG begins with its width and height.
    const picture = { blob: blobs.keep(png, 'png'), width: png.readUInt32BE(16), height: png.readUInt32BE(20) };
    kept.set(url, picture);
    return picture;
  };
}
