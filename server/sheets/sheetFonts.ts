import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

// The packages of fonts have no modules, only files.
const require = createRequire(import.meta.url);

/** The interface's font, as WOFF files. */
export const SHEET_FONTS = {
  regular: '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-400-normal.woff',
  bold: '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-600-normal.woff',
} as const;

export function readSheetFont(weight: keyof typeof SHEET_FONTS): Buffer {
  return readFileSync(require.resolve(SHEET_FONTS[weight]));
}
