import { colourName } from '../colour/index.ts';
import { cutText, MOST_NAME } from '../schema/index.ts';
import { MOST_ON_SHELF, type Shelf, ShelfError } from '../shelf/index.ts';
import { SHELF_FORMAT_NAMES, SHELF_FORMATS } from './shelfFormats.ts';

/** Letters of a shelf's file, at the most. */
export const MOST_SHELF_TEXT = 1_000_000;

/**
 * Reads a shelf from a file, by its ending.
 *
 * @throws ShelfError where it is none, or has no colour, or more than {@link MOST_ON_SHELF}
 */
export function readShelf(fileName: string, text: string): Shelf {
  const format = SHELF_FORMAT_NAMES.find((name) =>
    fileName.toLowerCase().endsWith(`.${SHELF_FORMATS[name].extension}`),
  );
  if (!format) throw new ShelfError('Shelves are read from CSV, JSON, CSS and SVG files');
  if (text.length > MOST_SHELF_TEXT) throw new ShelfError('It is larger than a shelf of colours can be');
  const inks = SHELF_FORMATS[format].read(text);
  if (inks.length === 0) throw new ShelfError('There is no colour in it');
  if (inks.length > MOST_ON_SHELF)
    throw new ShelfError(`It has ${inks.length} colours; a shelf holds at most ${MOST_ON_SHELF}`);
  return {
    name: cutText(fileName.replace(/\.\w+$/, '').trim() || 'Shelf', MOST_NAME),
    inks: inks.map(({ name, colour }) => ({ name: cutText(name.trim() || colourName(colour), MOST_NAME), colour })),
  };
}
