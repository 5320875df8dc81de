import type { ShelfInk } from '../shelf/index.ts';
import { readCssShelf, writeCssShelf } from './cssShelf.ts';
import { readCsvShelf, writeCsvShelf } from './csvShelf.ts';
import { readSvgShelf, writeSvgShelf } from './svgShelf.ts';
import { readTokens, writeTokens } from './tokens.ts';

/** How shelves are written into files, and read from them. */
interface ShelfFormat {
  readonly name: string;
  readonly extension: string;
  readonly mime: string;
  /** @throws ShelfError */
  read(text: string): readonly ShelfInk[];
  write(name: string, inks: readonly ShelfInk[]): string;
}

export const SHELF_FORMATS = {
  csv: { name: 'CSV', extension: 'csv', mime: 'text/csv', read: readCsvShelf, write: writeCsvShelf },
  json: { name: 'Design tokens', extension: 'json', mime: 'application/json', read: readTokens, write: writeTokens },
  css: { name: 'CSS', extension: 'css', mime: 'text/css', read: readCssShelf, write: writeCssShelf },
  svg: { name: 'SVG', extension: 'svg', mime: 'image/svg+xml', read: readSvgShelf, write: writeSvgShelf },
} as const satisfies Record<string, ShelfFormat>;

export type ShelfFormatName = keyof typeof SHELF_FORMATS;
// What a record's keys are is known from its literal.
export const SHELF_FORMAT_NAMES = Object.keys(SHELF_FORMATS) as ShelfFormatName[];
