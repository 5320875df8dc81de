import type { Repeat } from '../repeat/repeat.ts';
import { fractionOffers, type FractionOffer } from '../repeat/fractions.ts';
import type { Point } from '../geometry/point.ts';

/** How a motif and its echoes in the next row lie by a shift: above each other, side by side in slanting lines, in a zigzag, or well apart. */
export type RowFall = 'above' | 'beside' | 'zigzag' | 'apart';

export interface RowOffer extends FractionOffer {
  readonly fall: RowFall;
}

/** Nearer than this share of a motif's own room in the row, its echo counts as above it. */
const ABOVE = 0.6;
/** Up to this share, it stands right beside its echo, one row on. */
const BESIDE = 1.25;

/**
 * The fractions of a row of motifs, best first, and what each does to the eye. A shift of half the cell brings every other
 * row under itself: a zigzag; one of less than a motif's room sets motifs above themselves, of one room beside themselves.
 *
 * @param count motifs in the row; @param places their middles, by motif
 */
export function rowOffers(repeat: Repeat, count: number, places: ReadonlyMap<string, readonly Point[]>): RowOffer[] {
  return fractionOffers(repeat, places).map((offer) => ({ ...offer, fall: fallOf(offer, count) }));
}

function fallOf({ p, q }: FractionOffer, count: number): RowFall {
  const share = p / q;
  const rooms = Math.min(share, 1 - share) * count;
  if (rooms < ABOVE) return 'above';
  if (q === 2) return 'zigzag';
  return rooms <= BESIDE ? 'beside' : 'apart';
}
