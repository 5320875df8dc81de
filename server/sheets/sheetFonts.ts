import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Font, parse as parseFont } from 'opentype.js';

// The packages of fonts have no modules, only files.
const require = createRequire(import.meta.url);
// Node takes the package's older form, whose names an import does not see.
const { parse } = require('opentype.js') as { parse: typeof parseFont };

/** The interface's font, as WOFF files. */
export const SHEET_FONTS = {
  regular: '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-400-normal.woff',
  bold: '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-600-normal.woff',
} as const;

export function readSheetFont(weight: keyof typeof SHEET_FONTS): Buffer {
  return readFileSync(require.resolve(SHEET_FONTS[weight]));
}

/** The interface's font, ready for its letters to be drawn as shapes. */
export function sheetFont(weight: keyof typeof SHEET_FONTS): Font {
  const bytes = readSheetFont(weight);
  return parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
}
