import type { Hex } from '../colour/index.ts';
import { colourwayOf, type Command, type Design, type Ink, inksOfGround, withGroundInks } from '../document/index.ts';
import type { Motif } from '../motif/index.ts';

/** Locks an ink: it has the colour of one colourway in all of them from then on. */
export function lockInk(design: Design, ink: string, colourway?: string): Command {
  const colour = colourwayOf(design, colourway).colours[ink];
  const others = design.colourways.filter(({ colours }) => colour !== undefined && colours[ink] !== colour);
  return {
    type: 'all',
    commands: [
      ...others.map(({ id }): Command => ({ type: 'colour', colourway: id, ink, colour: colour as Hex })),
      { type: 'change-inks', changes: { [ink]: { locked: true } } },
    ],
  };
}

/** Has one ink print all that several printed, and removes those; the ground too is printed in it where it was in one of them. */
export function mergeInks(design: Design, from: readonly string[], into: string): Command {
  const gone = design.inks.filter(({ id }) => from.includes(id) && id !== into);
  const kept = design.inks.find(({ id }) => id === into);
  const prints = [...(kept?.prints ?? []), ...gone.flatMap(({ prints }) => prints)];
  const ids = gone.map(({ id }) => id);
  const isGround = inksOfGround(design.ground).some((ink) => ids.includes(ink));
  const ground = withGroundInks(design.ground, (ink) => (ids.includes(ink) ? into : ink));
  const emptied = ids.map((id) => [id, { prints: [] as Hex[] }] as const);
  return {
    type: 'all',
    commands: [
      { type: 'change-inks', changes: { ...Object.fromEntries(emptied), [into]: { prints } } },
      ...(isGround ? [{ type: 'ground', ground } as const] : []),
      { type: 'remove-inks', ids },
    ],
  };
}

/** Splits colours of the artwork off from an ink, as an ink of their own in the same colours. */
export function splitInk(
  design: Design,
  ink: string,
  prints: readonly Hex[],
  split: Pick<Ink, 'id' | 'name'>,
): Command {
  const index = design.inks.findIndex(({ id }) => id === ink);
  const before = design.inks[index];
  const rest = before?.prints.filter((colour) => !prints.includes(colour)) ?? [];
  const colours = design.colourways.map(({ id, colours }) => [id, colours[ink] as Hex] as const);
  return {
    type: 'all',
    commands: [
      { type: 'change-inks', changes: { [ink]: { prints: rest } } },
      {
        type: 'insert-inks',
        inks: [{ index: index + 1, ink: { ...split, prints: [...prints] }, colours: Object.fromEntries(colours) }],
      },
    ],
  };
}

/** Inks that neither the ground nor any motif on the cloth is printed in. */
export function unusedInks(design: Design, motifs: ReadonlyMap<string, Pick<Motif, 'inks'>>): readonly Ink[] {
  const ground = inksOfGround(design.ground);
  const used = new Set(design.placements.flatMap(({ motif }) => motifs.get(motif)?.inks ?? []));
  return design.inks.filter(({ id, prints }) => !ground.includes(id) && !prints.some((colour) => used.has(colour)));
}

/** Exchanges the colours of two inks in a colourway. */
export function swapColours(design: Design, colourway: string, a: string, b: string): Command {
  const { colours } = colourwayOf(design, colourway);
  return {
    type: 'change-colourway',
    colourway,
    colours: { [a]: colours[b] as Hex, [b]: colours[a] as Hex },
  };
}
