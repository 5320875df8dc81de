import type { Point } from '../geometry/index.ts';
import { type Lattice, orbitDistance } from '../lattice/index.ts';
import type { Role, TossEntry } from '../recipe/index.ts';
import type { Tossable, TossedMotif } from './tossTypes.ts';

/** Equal motifs, and those of one main ink, are kept apart by these shares of the distance that they would have if they lay evenly. */
const APART = 0.8;
const INK_APART = 0.6;

/** What motifs of one main ink count against equal motifs: a colour may come together sooner than a shape. */
const INK_CROWD = 0.4;
/** Crowding against the other terms. For heroes it comes first: they are few, and two beside each other are seen at once. */
const HERO_CROWD = 4;
const CROWD = 2.5;
/** Beyond so many even distances heroes are as good as alone. */
const FARTHEST = 10;
/** Heroes come first, when there is room everywhere: it only decides between places that are equally far from other heroes. */
const HERO_ROOM = 0.02;
/** What a larger size is worth. Fillers are there to fill, so they gain more by it than by a snug place. */
const SIZE: Readonly<Record<Exclude<Role, 'hero'>, number>> = { companion: 0.5, filler: 1 };

/** A motif's place, as far as its like keep away from it. */
export interface Lying extends Point {
  readonly motif: string;
  readonly role?: string;
}

/** How far apart things would lie if they lay evenly, mm: all of them, those of a motif, those of an ink. */
export interface Even {
  readonly all: number;
  readonly inkOf: (motif: string) => string | undefined;
  readonly motif: (motif: string) => number;
  readonly ink: (motif: string) => number;
}

/** @param cell the cell's area, mm²; @param motifs the motif of everything that lies or is to be tossed */
export function evenDistances(cell: number, motifs: readonly string[], known: ReadonlyMap<string, Tossable>): Even {
  const count = (of: readonly (string | undefined)[]): Map<string | undefined, number> => {
    const counts = new Map<string | undefined, number>();
    for (const key of of) counts.set(key, (counts.get(key) ?? 0) + 1);
    return counts;
  };
  const inkOf = (motif: string): string | undefined => known.get(motif)?.ink;
  const [ofMotif, ofInk] = [count(motifs), count(motifs.map(inkOf))];
  const distance = (n: number | undefined): number => Math.sqrt(cell / (n ?? 1));
  return {
    all: distance(motifs.length),
    inkOf,
    motif: (motif) => distance(ofMotif.get(motif)),
    ink: (motif) => distance(ofInk.get(inkOf(motif))),
  };
}

/**
 * How badly a motif would lie at a place: the less the better. Every term is without a unit, since distances are told in
 * the even distance of all that is tossed.
 *
 * @param spare mean room of its rounds over the gap, mm
 * @param size 0 for its smallest size, 1 for its largest
 */
export function scoreOf(
  { role, motif }: TossEntry,
  at: TossedMotif,
  spare: number,
  lattice: Lattice,
  lying: readonly Lying[],
  even: Even,
  size: number,
): number {
  let like = Infinity;
  let tone = Infinity;
  let hero = Infinity;
  const ink = even.inkOf(motif);
  for (const other of lying) {
    const equal = other.motif === motif;
    const peer = role === 'hero' && other.role === 'hero';
    const alike = ink !== undefined && even.inkOf(other.motif) === ink;
    if (!equal && !peer && !alike) continue;
    const distance = orbitDistance(lattice, at, other);
    if (equal && distance < like) like = distance;
    if (alike && distance < tone) tone = distance;
    if (peer && distance < hero) hero = distance;
  }
  const crowd =
    Math.max(0, 1 - like / (APART * even.motif(motif))) +
    INK_CROWD * Math.max(0, 1 - tone / (INK_APART * even.ink(motif)));
  const room = spare / even.all;
  if (role === 'hero') return HERO_CROWD * crowd - Math.min(hero / even.all, FARTHEST) + HERO_ROOM * room;
  return CROWD * crowd + room - SIZE[role] * size;
}
