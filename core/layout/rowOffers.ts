import type { Point } from '../geometry/index.ts';
import { everyFraction, type Fraction, type FractionOffer, fractionOffers, type Repeat } from '../lattice/index.ts';

/**
 * What a shift does to the eye. Where it is a whole number of motifs' rooms, the motifs stand in columns and change places in
 * them; they are `apart`, or `beside` themselves where an instance stands in the very next column. Else the columns break:
 * `zigzag` by half a room, `aslant` by any other share of one. `above`: an equal motif stands nearly over itself.
 */
export type RowPattern = 'apart' | 'beside' | 'zigzag' | 'aslant' | 'above';

export interface RowOffer extends FractionOffer {
  readonly fall: RowPattern;
}

/** Nearer than this share of a motif's own room in the row, its instance counts as above it; of the farthest that any shift brings, where that is less than a room. */
const ABOVE = 0.6;
/** Up to this share, it stands right beside its instance, one row on. */
const BESIDE = 1.25;
/** Rooms whose difference nobody sees. */
const SAME = 1e-6;
/** Denominators up to which a fraction is offered that leaves the columns. */
const SIMPLE = 6;

const ORDER: Readonly<Record<RowPattern, number>> = { apart: 0, beside: 1, zigzag: 1, aslant: 1, above: 2 };

/**
 * The fractions by which further rows may shift, best first, and what each does: those that keep equal motifs apart in columns
 * (a half of two, a third of three), then by distance, at last those that set a motif above itself.
 *
 * @param repeat of a row; stepped as a brick
 * @param count motifs in the row
 * @param places their middles, mm, by motif
 */
export function rowOffers(repeat: Repeat, count: number, places: ReadonlyMap<string, readonly Point[]>): RowOffer[] {
  const offers = fractionOffers(
    repeat,
    places,
    everyFraction().filter((fraction) => fraction.q <= SIMPLE || isInColumns(fraction, count)),
  );
  const rooms = new Map(
    offers.map((fractionOffer) => [fractionOffer, roomsToItself(fractionOffer, repeat.width, count, places)]),
  );
  const farthest = (list: readonly FractionOffer[]): number =>
    Math.max(0, ...list.map((fractionOffer) => rooms.get(fractionOffer) ?? 0));
  const inColumns = farthest(offers.filter((fractionOffer) => isInColumns(fractionOffer, count)));
  const hasColumns = inColumns >= ABOVE;
  const most = hasColumns ? inColumns : farthest(offers);
  const fallOf = (fractionOffer: FractionOffer): RowPattern => {
    const own = rooms.get(fractionOffer) ?? 0;
    if (own < ABOVE * Math.min(1, most) - SAME) return 'above';
    if (own > most - SAME && (!hasColumns || isInColumns(fractionOffer, count))) return 'apart';
    if (isInColumns(fractionOffer, count)) return own > BESIDE ? 'apart' : 'beside';
    return isWhole((2 * fractionOffer.p * count) / fractionOffer.q) ? 'zigzag' : 'aslant';
  };
  return offers
    .map((fractionOffer) => ({ ...fractionOffer, fall: fallOf(fractionOffer) }))
    .sort((a, b) => ORDER[a.fall] - ORDER[b.fall]);
}

/** Whether rows shift by whole rooms, so that motifs stand under motifs. */
function isInColumns({ p, q }: Fraction, count: number): boolean {
  return isWhole((p * count) / q);
}

function isWhole(value: number): boolean {
  return Math.abs(value - Math.round(value)) < SAME;
}

/** How far to the side the nearest equal motif of the next row stands, the least of all motifs, in rooms. */
function roomsToItself(
  { p, q }: Fraction,
  width: number,
  count: number,
  places: ReadonlyMap<string, readonly Point[]>,
): number {
  const shift = (p / q) * width;
  let least = width / 2;
  for (const list of places.values()) {
    for (const point of list) {
      for (const other of list) {
        const to = other.x + shift - point.x;
        least = Math.min(least, Math.abs(to - Math.round(to / width) * width));
      }
    }
  }
  return (least / width) * count;
}
