import { generate, parse, walk } from 'css-tree';
import { readColour } from '../colour/index.ts';
import { type ShelfInk, ShelfError } from '../shelf/index.ts';

/** Custom properties whose value is a colour, as `--sea-glass: #9dbfbb`; other declarations are passed over. */
export function readCssShelf(text: string): readonly ShelfInk[] {
  const inks: ShelfInk[] = [];
  const tree = parse(text, { parseCustomProperty: false, onParseError: () => undefined });
  walk(tree, (node) => {
    if (node.type !== 'Declaration' || !node.property.startsWith('--')) return;
    const colour = readColour(generate(node.value));
    if (colour) inks.push({ name: sentence(node.property.slice(2)), colour: colour.hex });
  });
  if (inks.length === 0) throw new ShelfError('It has no custom property that is a colour');
  return inks;
}

export function writeCssShelf(name: string, inks: readonly ShelfInk[]): string {
  const taken = new Map<string, number>();
  const lines = inks.map((ink) => {
    const plain = property(ink.name);
    const count = (taken.get(plain) ?? 0) + 1;
    taken.set(plain, count);
    return `  --${plain}${count === 1 ? '' : `-${count}`}: ${ink.colour};`;
  });
  return `/* ${name.replaceAll('*/', '')} */\n:root {\n${lines.join('\n')}\n}\n`;
}

/** A name as a custom property: words joined by hyphens, in any script. */
function property(name: string): string {
  const plain = name
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '');
  return plain === '' ? 'colour' : plain;
}

function sentence(property: string): string {
  const words = property.replace(/[-_]+/g, ' ').trim();
  return words.charAt(0).toUpperCase() + words.slice(1);
}
