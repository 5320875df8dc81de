import { type Design, type Ink, inksOfGround, printerOf } from '../document/index.ts';
import type { Motif } from '../motif/index.ts';

/** The inks by how much they are used: those of the ground, then those that print the most motifs on the cloth. */
export function inksByUse(
  { ground, inks, placements }: Pick<Design, 'ground' | 'inks' | 'placements'>,
  motifs: ReadonlyMap<string, Pick<Motif, 'inks'>>,
): readonly Ink[] {
  const counts = new Map<string, number>();
  for (const { motif } of placements) counts.set(motif, (counts.get(motif) ?? 0) + 1);
  const uses = new Map<string, number>();
  const printer = printerOf(inks);
  for (const [motif, count] of counts)
    for (const colour of motifs.get(motif)?.inks ?? []) {
      const ink = printer(colour, motif)?.id;
      if (ink !== undefined) uses.set(ink, (uses.get(ink) ?? 0) + count);
    }
  const onGround = inksOfGround(ground);
  const useOf = ({ id }: Ink): number => (onGround.includes(id) ? Infinity : (uses.get(id) ?? 0));
  const ranked = inks.map((ink) => ({ ink, use: useOf(ink) }));
  // Equal ones stay in the order of the design.
  return ranked.sort((a, b) => (a.use === b.use ? 0 : b.use - a.use)).map(({ ink }) => ink);
}
