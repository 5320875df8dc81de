import { colourName, type Hex } from '../colour/index.ts';
import { LARGEST_SCALE, type Point, SMALLEST_SCALE, UPRIGHT } from '../geometry/index.ts';
import { type Motif, naturalHeight } from '../motif/index.ts';
import type { Command } from './command.ts';
import { DEFAULT_LAYER, type Design } from './design.ts';
import type { Ink } from './ink.ts';
import type { Placement, PlacementChange } from './placement.ts';

/** A placement of the motif at its natural size. */
export function newPlacement(id: string, motif: Pick<Motif, 'id'>, at: Point): Placement {
  return { id, motif: motif.id, layer: DEFAULT_LAYER.id, ...UPRIGHT, x: at.x, y: at.y, opacity: 1, blend: 'normal' };
}

/**
 * Lays a motif on the cloth and adds the inks the design lacks.
 *
 * @param placement as it shall lie, at the top of its layer or directly above `above` and in that one's layer
 */
export function placeMotif(design: Design, motif: Motif, placement: Placement, above?: string): Command {
  const under = design.placements.findIndex(({ id }) => id === above);
  const layer = design.placements[under]?.layer ?? placement.layer;
  const index = under < 0 ? design.placements.length : under + 1;
  return withInks(design, [motif], { type: 'insert', placements: [{ index, placement: { ...placement, layer } }] });
}

/** Lays a motif on the cloth below all that its layer holds, and adds the inks the design lacks. */
export function placeMotifBelow(design: Design, motif: Motif, placement: Placement): Command {
  const lowest = design.placements.findIndex(({ layer }) => layer === placement.layer);
  const index = lowest < 0 ? design.placements.length : lowest;
  return withInks(design, [motif], { type: 'insert', placements: [{ index, placement }] });
}

/** Shows another motif in the stead of placements, at their places, turned as they are, and with as long a longer side. */
export function replaceMotif(
  design: Design,
  ids: readonly string[],
  motifs: ReadonlyMap<string, Pick<Motif, 'width' | 'view'>>,
  by: Motif,
): Command {
  const changes = design.placements
    .filter(({ id }) => ids.includes(id))
    .map((placement): [string, PlacementChange] => {
      const before = motifs.get(placement.motif);
      return [placement.id, { motif: by.id, scale: before ? matchScale(placement, before, by) : placement.scale }];
    });
  return withInks(design, [by], { type: 'change', changes: Object.fromEntries(changes) });
}

/** The scale at which another motif has as long a longer side. */
export function matchScale(
  { scale }: Pick<Placement, 'scale'>,
  before: Pick<Motif, 'width' | 'view'>,
  after: Pick<Motif, 'width' | 'view'>,
): number {
  return Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, (scale * longerSide(before)) / longerSide(after)));
}

/** The command, after the inks have been added that motifs are printed in and the design lacks, in the artwork's own colours or those given. */
export function withInks(
  design: Design,
  motifs: readonly Pick<Motif, 'inks'>[],
  command: Command,
  colourOf: (print: Hex) => Hex = (print) => print,
): Command {
  const inks = missingInks(design, [...new Set(motifs.flatMap((motif) => motif.inks))]);
  if (inks.length === 0) return command;
  const colours = Object.fromEntries(inks.map(({ id, prints }) => [id, colourOf(prints[0] as Hex)]));
  return { type: 'all', commands: [{ type: 'add-inks', inks, colours }, command] };
}

function longerSide(motif: Pick<Motif, 'width' | 'view'>): number {
  return Math.max(motif.width, naturalHeight(motif));
}

/** New inks for the artwork colours that no ink of the design prints. */
export function missingInks(design: Design, colours: readonly Hex[]): Ink[] {
  const printed = new Set(design.inks.flatMap(({ prints }) => prints));
  const ids = new Set(design.inks.map(({ id }) => id));
  const names = new Set(design.inks.map(({ name }) => name));
  return colours
    .filter((colour) => !printed.has(colour))
    .map((colour) => {
      let id = `ink-${colour.slice(1)}`;
      while (ids.has(id)) id = `${id}-2`;
      ids.add(id);
      const name = nameInk(colour, names);
      names.add(name);
      return { id, name, prints: [colour] };
    });
}

/** The name of a new ink: that of its colour, with a number behind it where it is taken. */
export function nameInk(colour: Hex, taken: ReadonlySet<string>): string {
  const plain = colourName(colour);
  let name = plain;
  for (let n = 2; taken.has(name); n += 1) name = `${plain} ${n}`;
  return name;
}
