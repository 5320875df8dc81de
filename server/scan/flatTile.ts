import { Resvg } from '@resvg/resvg-js';
import { readTile, type SvgTile, Unsupported, XmlError } from '../../core/svg/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { normalised, tooComplicated } from '../motifs/readVectors.ts';
import { Problem } from '../problem.ts';
import type { Blobs } from '../store/blobs.ts';
import type { StudioFont } from '../work/tasks.ts';
import { type FlatPicture, flatSize } from './flatPicture.ts';

/** A pixel of a drawing that gives no other size, mm: CSS has 96 to the inch. */
const PIXEL_MM = MM_PER_INCH / 96;

/** Draws one tile of an SVG: of its pattern, or all of its page where it has none. @throws Problem */
export async function flatTile(
  name: string,
  content: Buffer,
  blobs: Blobs,
  fonts: readonly StudioFont[],
): Promise<FlatPicture> {
  const { text } = await normalised(name, content, blobs, fonts);
  const tile = tileOf(name, text);
  const [width, height] = [tile.width * PIXEL_MM, tile.height * PIXEL_MM];
  const drawn = new Resvg(tile.draw(...flatSize(width, height)), { font: { loadSystemFonts: false } }).render();
  if (drawn.pixels.every((level) => level === 0))
    throw new Problem(422, 'Nothing to see', `“${name}” holds nothing that can be seen. Nothing was added.`);
  return { pixels: { width: drawn.width, height: drawn.height, data: straight(drawn.pixels) }, width };
}

function tileOf(name: string, text: string): SvgTile {
  try {
    return readTile(text);
  } catch (error) {
    if (error instanceof XmlError) throw tooComplicated(name, error);
    if (!(error instanceof Unsupported)) throw error;
    throw new Problem(
      422,
      'No tile',
      `“${name}” is ${error.message}. Nothing was added; save its tile as a picture, and import that.`,
    );
  }
}

/** Colours that are multiplied by how opaque they are, by themselves. */
function straight(pixels: Uint8Array): Uint8ClampedArray {
  const data = new Uint8ClampedArray(pixels);
  for (let at = 0; at < data.length; at += 4) {
    const alpha = data[at + 3] as number;
    if (alpha === 255 || alpha === 0) continue;
    for (let c = 0; c < 3; c += 1) data[at + c] = ((data[at + c] as number) * 255) / alpha;
  }
  return data;
}
