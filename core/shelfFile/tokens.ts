import { cutText } from '../schema/index.ts';
import { type Hex, readColour } from '../colour/index.ts';
import { type ShelfInk, ShelfError } from '../shelf/index.ts';

/** Groups within groups, at the most. */
const DEEPEST = 32;

/**
 * Colours of a file of design tokens (Design Tokens Format Module of the W3C community group): those of type `color`, by
 * themselves or by their group, whose value is a colour object in sRGB or a text.
 */
export function readTokens(text: string): readonly ShelfInk[] {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new ShelfError('It is not JSON');
  }
  const inks: ShelfInk[] = [];
  collect(json, '', undefined, inks, 0);
  return inks;
}

function collect(node: unknown, name: string, inherited: unknown, inks: ShelfInk[], depth: number): void {
  if (typeof node !== 'object' || node === null || depth > DEEPEST) return;
  const type: unknown = Reflect.get(node, '$type') ?? inherited;
  if ('$value' in node) {
    if (type !== 'color') return;
    const colour = colourOf(node.$value);
    if (!colour) throw new ShelfError(`The colour of “${cutText(name, 60)}” cannot be read`);
    inks.push({ name, colour });
    return;
  }
  for (const [key, child] of Object.entries(node)) if (!key.startsWith('$')) collect(child, key, type, inks, depth + 1);
}

function colourOf(value: unknown): Hex | undefined {
  if (typeof value === 'string') return readColour(value)?.hex;
  if (typeof value !== 'object' || value === null) return undefined;
  const hex: unknown = Reflect.get(value, 'hex');
  if (typeof hex === 'string') return readColour(hex)?.hex;
  const components: unknown = Reflect.get(value, 'components');
  if (Reflect.get(value, 'colorSpace') !== 'srgb' || !Array.isArray(components) || components.length !== 3)
    return undefined;
  const parts = components.map((part: unknown) => (typeof part === 'number' ? part : NaN));
  return readColour(`color(srgb ${parts.join(' ')})`)?.hex;
}

export function writeTokens(shelf: string, inks: readonly ShelfInk[]): string {
  const names = distinct(inks.map(({ name }) => tokenName(name)));
  const group = Object.fromEntries(
    inks.map(({ colour }, n) => [
      names[n] as string,
      {
        $value: {
          colorSpace: 'srgb',
          components: [1, 3, 5].map((at) => round(Number.parseInt(colour.slice(at, at + 2), 16) / 255)),
          hex: colour,
        },
      },
    ]),
  );
  return `${JSON.stringify({ [tokenName(shelf)]: { $type: 'color', ...group } }, null, 2)}\n`;
}

const round = (share: number): number => Math.round(share * 1e5) / 1e5;

/** A name without what the format gives a meaning to. */
const tokenName = (name: string): string => name.replace(/[{}.]/g, ' ').replace(/^\$+/, '').trim() || 'Colour';

/** The names, with a number behind those that were there already. */
function distinct(names: readonly string[]): readonly string[] {
  const taken = new Set<string>();
  return names.map((name) => {
    let free = name;
    for (let n = 2; taken.has(free); n++) free = `${name} ${n}`;
    taken.add(free);
    return free;
  });
}
