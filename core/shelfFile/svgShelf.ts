import { SaxesParser } from 'saxes';
import { type Hex, readColour } from '../colour/index.ts';
import { type ShelfInk, ShelfError } from '../shelf/index.ts';

const PAINTS = ['fill', 'stroke', 'stop-color'] as const;
const [SIDE, ACROSS] = [20, 8];

/** Colours that shapes of a drawing are filled or drawn with, each once; those with a title have it for their name. */
export function readSvgShelf(text: string): readonly ShelfInk[] {
  const found = new Map<Hex, string>();
  const open: (Hex | undefined)[] = [];
  let title: string | undefined;
  const parser = new SaxesParser();
  parser.on('error', (error) => {
    throw new ShelfError(`It is not an SVG (${error.message.split('\n')[0] ?? ''})`);
  });
  parser.on('opentag', ({ name, attributes }) => {
    if (name === 'title') title = '';
    const style = Object.fromEntries(
      String(attributes['style'] ?? '')
        .split(';')
        .map((part) => part.split(':').map((side) => side.trim()) as [string, string?]),
    );
    let own: Hex | undefined;
    for (const paint of PAINTS) {
      const colour = readColour(String(style[paint] ?? attributes[paint] ?? ''))?.hex;
      if (!colour) continue;
      own ??= colour;
      if (!found.has(colour)) found.set(colour, '');
    }
    open.push(own);
  });
  parser.on('text', (part) => {
    if (title !== undefined) title += part;
  });
  parser.on('closetag', ({ name }) => {
    open.pop();
    const colour = open.at(-1);
    if (name !== 'title') return;
    if (colour && title && found.get(colour) === '') found.set(colour, title.trim());
    title = undefined;
  });
  parser.write(text).close();
  return [...found].map(([colour, name]) => ({ name, colour }));
}

export function writeSvgShelf(name: string, inks: readonly ShelfInk[]): string {
  const rows = Math.ceil(inks.length / ACROSS);
  const [width, height] = [ACROSS * SIDE, rows * SIDE];
  const squares = inks.map(
    (ink, n) =>
      `<rect x="${(n % ACROSS) * SIDE}" y="${Math.floor(n / ACROSS) * SIDE}" width="${SIDE}" height="${SIDE}" fill="${ink.colour}"><title>${escape(ink.name)}</title></rect>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">\n<title>${escape(name)}</title>\n${squares.join('\n')}\n</svg>\n`;
}

const escape = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
