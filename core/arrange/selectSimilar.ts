import { type Design, type Placement, printerOf } from '../document/index.ts';
import type { Motif } from '../motif/index.ts';

/** The placements of the motifs that these show. */
export function selectSimilar({ placements }: Design, ids: readonly string[]): string[] {
  const motifs = new Set(placements.filter(({ id }) => ids.includes(id)).map(({ motif }) => motif));
  return idsOf(placements.filter(({ motif }) => motifs.has(motif)));
}

/** The placements whose motif is printed in an ink of the design. */
export function selectByInk(
  { placements, inks }: Design,
  motifs: ReadonlyMap<string, Pick<Motif, 'inks'>>,
  ink: string,
): string[] {
  const printer = printerOf(inks);
  return idsOf(
    placements.filter(({ motif }) => motifs.get(motif)?.inks.some((colour) => printer(colour, motif)?.id === ink)),
  );
}

/** Those that are not among the given. */
export function invertSelection(placements: readonly Placement[], ids: readonly string[]): string[] {
  return idsOf(placements.filter(({ id }) => !ids.includes(id)));
}

function idsOf(placements: readonly Placement[]): string[] {
  return placements.map(({ id }) => id);
}
