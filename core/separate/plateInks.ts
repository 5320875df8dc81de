import { colourDifference, type Hex, oklchOf } from '../colour/index.ts';
import { colourwayOf, type Design, inksOfGround, printerOf } from '../document/index.ts';
import { hasPlainPicture, inksOf, type DrawnMotif } from '../motif/index.ts';
import type { SeparationOrder } from './separationOrder.ts';

/** An ink that has a plate of its own. */
export interface PlateInk {
  readonly id: string;
  readonly name: string;
  readonly colour: Hex;
  /** Degrees clockwise from level, of its dots or lines. */
  readonly angle: number;
}

/** What stands for pictures that no ink prints. */
export const PICTURES = 'pictures';
const PICTURES_COLOUR: Hex = '#1f2430';

/** Angles in the order in which they are given, to the darkest first: those that disturb each other least lie 30° apart. */
const ANGLES = [45, 75, 15, 0, 60, 30, 90, 52.5, 22.5, 7.5];

/**
 * The plates of a design in printing order: one for each ink that the ground or a motif on the cloth is printed in, and one for
 * pictures where there are some.
 */
export function plateInks(
  design: Design,
  motifs: ReadonlyMap<string, DrawnMotif>,
  { sequence, angles }: Pick<SeparationOrder, 'sequence' | 'angles'>,
  colourway?: string,
): readonly PlateInk[] {
  const { colours } = colourwayOf(design, colourway);
  const shown = new Set(design.layers.filter((layer) => layer.shown).map(({ id }) => id));
  const placed = new Set(design.placements.filter(({ layer }) => shown.has(layer)).map(({ motif }) => motif));
  const drawn = [...motifs].filter(([id]) => placed.has(id));
  const resolve = plateResolver(design, colourway);
  const printed = new Set([
    ...inksOfGround(design.ground),
    ...drawn.flatMap(([id, { artwork }]) => inksOf(artwork).map((ink) => resolve(ink, id))),
  ]);
  const inks = design.inks
    .filter(({ id }) => printed.has(id))
    .map(({ id, name }) => ({ id, name, colour: colours[id] as Hex }));
  if (drawn.some(([, { artwork }]) => hasPlainPicture(artwork)))
    inks.push({ id: PICTURES, name: 'Pictures', colour: PICTURES_COLOUR });
  const lightness = new Map(inks.map(({ id, colour }) => [id, oklchOf(colour).l]));
  const darkestFirst = [...inks].sort((a, b) => (lightness.get(a.id) ?? 0) - (lightness.get(b.id) ?? 0));
  const angleOf = new Map(darkestFirst.map(({ id }, n) => [id, angles[id] ?? (ANGLES[n % ANGLES.length] as number)]));
  const rank = new Map([...sequence, ...darkestFirst.reverse().map(({ id }) => id)].reverse().map((id, n) => [id, -n]));
  return inks
    .map((ink) => ({ ...ink, angle: angleOf.get(ink.id) ?? 0 }))
    .sort((a, b) => (rank.get(a.id) ?? 0) - (rank.get(b.id) ?? 0));
}

/** Says which ink prints a colour of the artwork: where none does, the one that looks most like it. */
export function plateResolver(design: Design, colourway?: string): (artwork: Hex, motif?: string) => string {
  const { colours } = colourwayOf(design, colourway);
  const printer = printerOf(design.inks);
  const likest = new Map<Hex, string>();
  return (artwork, motif) => {
    let ink = printer(artwork, motif)?.id ?? likest.get(artwork);
    if (ink === undefined) {
      const ranked = design.inks.map(({ id }) => ({ id, far: colourDifference(colours[id] as Hex, artwork) }));
      ink = ranked.sort((a, b) => a.far - b.far)[0]?.id ?? '';
      likest.set(artwork, ink);
    }
    return ink;
  };
}
