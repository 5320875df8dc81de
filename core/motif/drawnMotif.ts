import type { Artwork } from './artwork.ts';
import type { Motif } from './motif.ts';

/** A motif with its artwork at hand. */
export interface DrawnMotif {
  readonly motif: Motif;
  readonly artwork: Artwork;
}

/** Motifs by their ids. */
export function drawnById(drawn: readonly DrawnMotif[]): Map<string, DrawnMotif> {
  return new Map(drawn.map((one) => [one.motif.id, one]));
}
