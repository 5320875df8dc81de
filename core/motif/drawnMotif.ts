import type { Artwork } from './artwork.ts';
import type { Motif } from './motif.ts';

/** A motif with its artwork at hand. */
export interface DrawnMotif {
  readonly motif: Motif;
  readonly artwork: Artwork;
}
