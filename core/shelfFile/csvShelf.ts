import { cutText } from '../schema/index.ts';
import Papa from 'papaparse';
import { readColour } from '../colour/index.ts';
import { type ShelfInk, ShelfError } from '../shelf/index.ts';

/** Rows of a name and a colour (RFC 4180), under a head or without one, in either order; further columns are passed over. */
export function readCsvShelf(text: string): readonly ShelfInk[] {
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
  const inks: ShelfInk[] = [];
  for (const [n, row] of data.entries()) {
    // A name such as “123” could be a colour too; what begins like one goes first.
    const isColour = (field: string): boolean => readColour(field) !== undefined;
    const marked = row.findIndex((field) => /^\s*#|\(/.test(field) && isColour(field));
    const at = marked >= 0 ? marked : row.findIndex((field) => /\d/.test(field) && isColour(field));
    // A head has no colour; any other row needs one.
    if (at < 0 && n === 0) continue;
    const colour = readColour(row[at] ?? '');
    if (!colour) throw new ShelfError(`Row ${n + 1} has no colour in it: “${cutText(row.join(', '), 60)}”`);
    inks.push({ name: row.find((field, column) => column !== at && field.trim() !== '') ?? '', colour: colour.hex });
  }
  return inks;
}

export function writeCsvShelf(_name: string, inks: readonly ShelfInk[]): string {
  return `${Papa.unparse({ fields: ['name', 'colour'], data: inks.map(({ name, colour }) => [name, colour]) })}\r\n`;
}
