import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import * as opentype from 'opentype.js';
import { FONTS, letterOutline, type FontId } from '../../core/shapes/lettering.ts';
import type { Letterer } from '../../core/shapes/shapeArtwork.ts';

const { resolve } = createRequire(import.meta.url);
const fonts = new Map<string, opentype.Font>();

/** Outlines words in the fonts that ship with the app. */
export const letterer: Letterer = (font, text, values) => letterOutline(fontOf(font as FontId), text, values);

function fontOf(id: FontId): opentype.Font {
  const known = fonts.get(id);
  if (known) return known;
  const bytes = readFileSync(resolve(FONTS[id].file));
  const font = opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
  fonts.set(id, font);
  return font;
}
