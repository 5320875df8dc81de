import type { Hex } from '../colour/index.ts';
import { type Colourway, colourwayOf, type Command, type Design } from '../document/index.ts';

/** A name that no colourway of the design has: the one given, or with a number behind it. */
export function freeColourwayName({ colourways }: Pick<Design, 'colourways'>, name: string): string {
  const taken = new Set(colourways.map(({ name }) => name));
  let free = name;
  for (let n = 2; taken.has(free); n += 1) free = `${name} ${n}`;
  return free;
}

/**
 * Adds a colourway to the right of another.
 *
 * @param colours those that differ from that one's; locked inks keep theirs
 */
export function addColourway(
  design: Design,
  id: string,
  name: string,
  beside: string,
  colours: Readonly<Record<string, Hex>> = {},
): Command {
  const before = colourwayOf(design, beside);
  const colourway: Colourway = {
    id,
    name: freeColourwayName(design, name),
    colours: { ...before.colours, ...unlocked(design, colours) },
  };
  return { type: 'insert-colourways', colourways: [{ index: design.colourways.indexOf(before) + 1, colourway }] };
}

/** Colours without those of locked inks. */
export function unlocked({ inks }: Pick<Design, 'inks'>, colours: Readonly<Record<string, Hex>>): Record<string, Hex> {
  const free = new Set(inks.filter(({ locked }) => !locked).map(({ id }) => id));
  return Object.fromEntries(Object.entries(colours).filter(([id]) => free.has(id)));
}
