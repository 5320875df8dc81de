import type { Point } from '../geometry/index.ts';
import { everyFraction, type Fraction } from './fraction.ts';
import { type Lattice, latticeOf } from './lattice.ts';
import type { Repeat } from './repeat.ts';
import { step } from './step.ts';

/** A fraction of a step, and how far equal motifs of neighbouring cells lie apart by it. */
export interface FractionOffer extends Fraction {
  /** mm between the middles of the two that lie nearest. */
  readonly apart: number;
}

/** Fractions with larger denominators make tile that nobody asks for. */
const SIMPLE: readonly Fraction[] = everyFraction().filter(({ q }) => q <= 6);
/** Distances nearer to each other than this are the same to the eye, mm; the simpler fraction is the better then. */
const SAME = 0.5;

/**
 * The fractions by which columns could drop (or rows shift), best first: by which a motif and its like in other cells lie
 * farthest apart. A drop that sets a motif beside itself, or the next row's beneath it, comes last.
 *
 * @param places middles of placements, by motif
 * @param fractions what there is to choose from
 */
export function fractionOffers(
  repeat: Repeat,
  places: ReadonlyMap<string, readonly Point[]>,
  fractions = SIMPLE,
): FractionOffer[] {
  const { kind } = repeat.step;
  if (kind === 'square') return [];
  return fractions
    .map(({ p, q }) => ({ p, q, apart: apartBy(latticeOf({ ...repeat, step: step(kind, p, q) }), places) }))
    .sort((a, b) => Math.round(b.apart / SAME) - Math.round(a.apart / SAME) || a.q - b.q || a.p - b.p);
}

/** A motif that lies there more often than this is filling and gives no repeat away. */
const MOST_ALIKE = 30;

/** The least distance between placements of the same motif in different cells; how far the cells themselves are apart where there are none. */
function apartBy({ a, b }: Lattice, places: ReadonlyMap<string, readonly Point[]>): number {
  let least = Infinity;
  const telling = [...places.values()].filter(({ length }) => length <= MOST_ALIKE);
  const lists = telling.length > 0 ? telling : [[{ x: 0, y: 0 }]];
  for (const list of lists) {
    for (const point of list) {
      for (const other of list) {
        for (let i = -2; i <= 2; i += 1) {
          for (let j = -2; j <= 2; j += 1) {
            if (i === 0 && j === 0) continue;
            const [x, y] = [other.x - point.x + i * a.x + j * b.x, other.y - point.y + i * a.y + j * b.y];
            if (x * x + y * y < least) least = x * x + y * y;
          }
        }
      }
    }
  }
  return Math.sqrt(least);
}

/** Middles by motif. */
export function placesByMotif(placements: readonly (Point & { readonly motif: string })[]): Map<string, Point[]> {
  const places = new Map<string, Point[]>();
  for (const one of placements) places.set(one.motif, [...(places.get(one.motif) ?? []), one]);
  return places;
}
