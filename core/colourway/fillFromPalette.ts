import { type Hex, hexOfOklch } from '../colour/index.ts';
import type { Command, Design } from '../document/index.ts';
import { unlocked } from './newColourway.ts';
import { proposedInks } from './propose.ts';
import { takePalette } from './proposals.ts';

/**
 * Gives the inks of a colourway the colours of a palette, as they are: the pairs that all together change least. Locked inks
 * keep theirs.
 *
 * @param palette at least one colour
 */
export function fillFromPalette(design: Design, colourway: string, palette: readonly Hex[]): Command {
  const taken = takePalette(palette)(proposedInks(design, colourway));
  const colours = Object.fromEntries(
    design.inks.map(({ id }, n) => [id, hexOfOklch(taken[n] ?? { l: 0, c: 0, h: 0 })]),
  );
  return { type: 'change-colourway', colourway, colours: unlocked(design, colours) };
}
