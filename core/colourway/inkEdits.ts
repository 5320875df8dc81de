import { colourName, type Hex } from '../colour/index.ts';
import {
  colourwayOf,
  type Command,
  type Design,
  type Ink,
  inksOfGround,
  nameInk,
  printerOf,
  withGroundInks,
} from '../document/index.ts';
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

/**
 * Gives an ink another colour in a colourway. An ink that is called by its colour in the first colourway, and not by a name that somebody
 * gave it, is called by the new one from then on.
 */
export function colourInk(design: Design, id: string, colourway: string, colour: Hex): Command {
  const command: Command = { type: 'colour', colourway, ink: id, colour };
  const [first] = design.colourways;
  const ink = design.inks.find((one) => one.id === id);
  const before = first?.colours[id];
  if (first?.id !== colourway || !ink || !before || !isNameOf(before, ink.name) || isNameOf(colour, ink.name))
    return command;
  const taken = new Set(design.inks.filter((one) => one !== ink).map(({ name }) => name));
  return {
    type: 'all',
    commands: [command, { type: 'change-inks', changes: { [id]: { name: nameInk(colour, taken) } } }],
  };
}

/** Whether a name is what an ink of a colour is called without being told, with or without a number behind it. */
function isNameOf(colour: Hex, name: string): boolean {
  return name.replace(/ \d+$/, '') === colourName(colour);
}

/** Has one ink print all that several printed, and removes those; the ground too is printed in it where it was in one of them. */
export function mergeInks(design: Design, from: readonly string[], into: string): Command {
  const gone = design.inks.filter(({ id }) => from.includes(id) && id !== into);
  const kept = design.inks.find(({ id }) => id === into);
  const all = kept ? [kept, ...gone] : gone;
  const prints = all.flatMap((ink) => ink.prints);
  const only = all.flatMap((ink) => ink.only ?? []);
  const ids = gone.map(({ id }) => id);
  const isGround = inksOfGround(design.ground).some((ink) => ids.includes(ink));
  const ground = withGroundInks(design.ground, (ink) => (ids.includes(ink) ? into : ink));
  const emptied = ids.map((id) => [id, { prints: [] as Hex[], only: [] }] as const);
  return {
    type: 'all',
    commands: [
      { type: 'change-inks', changes: { ...Object.fromEntries(emptied), [into]: { prints, only } } },
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

/** Splits all that an ink prints in a motif off from it, as an ink of its own in the same colours. */
export function splitInkByMotif(
  design: Design,
  ink: string,
  { id: motif, inks }: Pick<Motif, 'id' | 'inks'>,
  split: Pick<Ink, 'id' | 'name'>,
): Command {
  const index = design.inks.findIndex(({ id }) => id === ink);
  const printer = printerOf(design.inks);
  const only = inks.filter((colour) => printer(colour, motif)?.id === ink).map((colour) => ({ motif, colour }));
  const rest = design.inks[index]?.only?.filter((print) => print.motif !== motif) ?? [];
  const colours = design.colourways.map(({ id, colours }) => [id, colours[ink] as Hex] as const);
  return {
    type: 'all',
    commands: [
      { type: 'change-inks', changes: { [ink]: { only: rest } } },
      {
        type: 'insert-inks',
        inks: [{ index: index + 1, ink: { ...split, prints: [], only }, colours: Object.fromEntries(colours) }],
      },
    ],
  };
}

/** The ids of the inks that a motif is printed in, each once. */
export function inksByMotif(inks: readonly Ink[], { id, inks: colours }: Pick<Motif, 'id' | 'inks'>): string[] {
  const printer = printerOf(inks);
  return [...new Set(colours.flatMap((colour) => printer(colour, id)?.id ?? []))];
}

/** The motifs on the cloth that an ink prints something of, in the order in which they lie. */
export function motifsOfInk(design: Design, motifs: ReadonlyMap<string, Pick<Motif, 'inks'>>, ink: string): string[] {
  const printer = printerOf(design.inks);
  return [...new Set(design.placements.map(({ motif }) => motif))].filter((motif) =>
    motifs.get(motif)?.inks.some((colour) => printer(colour, motif)?.id === ink),
  );
}

/** Inks that neither the ground nor any motif on the cloth is printed in. */
export function unusedInks(design: Design, motifs: ReadonlyMap<string, Pick<Motif, 'inks'>>): readonly Ink[] {
  const ground = inksOfGround(design.ground);
  return design.inks.filter(({ id }) => !ground.includes(id) && motifsOfInk(design, motifs, id).length === 0);
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
