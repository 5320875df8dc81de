import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Font, parse as parseFont } from 'opentype.js';
import type { FontId } from '../../core/recipe/index.ts';
import { FONTS, type Letterer, letterOutline } from '../../core/shapes/index.ts';

// Node takes the package's older form, whose names an import does not see.
const require = createRequire(import.meta.url);
const { parse } = require('opentype.js') as { parse: typeof parseFont };
const fonts = new Map<string, Font>();

/** Outlines words in the fonts that ship with the app. */
export const letterer: Letterer = (font, text, values) => letterOutline(fontOf(font as FontId), text, values);

function fontOf(id: FontId): Font {
  const known = fonts.get(id);
  if (known) return known;
  const bytes = readFileSync(require.resolve(FONTS[id].file));
  const font = parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
  fonts.set(id, font);
  return font;
}
