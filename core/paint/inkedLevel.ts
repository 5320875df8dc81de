import type { Hex } from '../colour/index.ts';
import type { InkResolver } from '../document/index.ts';
import type { PictureNode } from '../motif/index.ts';
import { type Mixing, paletteTable, recolour } from '../recolour/index.ts';
import type { CanvasBackend } from './canvasBackend.ts';
import type { PictureLevel } from './picture.ts';
import type { Pixels } from './pixels.ts';

type Palette = NonNullable<PictureNode['palette']>;

/** Of each size of a picture so many colourings are kept: those of the colourway worked in, and of the one before. */
const MOST_KEPT = 2;
const kept = new WeakMap<PictureLevel, Map<string, Pixels>>();

/** One size of a picture in the inks of its palette; as it is where no ink is another colour than its entry. */
export function inkedLevel(
  level: PictureLevel,
  palette: Palette,
  resolve: InkResolver,
  mixing: Mixing,
  backend: CanvasBackend,
): Pixels {
  const entries = palette.map(({ colour }) => colour);
  const inks = palette.map(({ ink }) => resolve(ink));
  if (mixing === 'eye' && inks.every((ink, n) => ink === entries[n])) return level.pixels;
  let colourings = kept.get(level);
  if (!colourings) kept.set(level, (colourings = new Map()));
  const key = [...entries, ...inks, mixing].join();
  const pixels = colourings.get(key) ?? inked(level, entries, inks, mixing, backend);
  colourings.delete(key);
  colourings.set(key, pixels);
  for (const oldest of colourings.keys()) {
    if (colourings.size <= MOST_KEPT) break;
    colourings.delete(oldest);
  }
  return pixels;
}

function inked(
  { pixels, width, height }: PictureLevel,
  entries: readonly Hex[],
  inks: readonly Hex[],
  mixing: Mixing,
  backend: CanvasBackend,
): Pixels {
  const sheet = backend.createSurface(width, height);
  backend.drawPixels(sheet.context, pixels, { x: 0, y: 0, width, height });
  const data = sheet.read();
  recolour(data, paletteTable(entries), inks, mixing);
  sheet.write(data, width, 0);
  return sheet.pixels;
}
