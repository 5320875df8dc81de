import { type Point, transform } from '../geometry/index.ts';
import { type Lattice, latticeOf, nearestDifference, type Repeat } from '../lattice/index.ts';
import { clothOntoPattern, hangAt } from './patternMatrix.ts';
import type { Piece, Product, Seam } from './product.ts';
import { fillOf, type PatternSource, sourceKey, type TryOn } from './tryOn.ts';

/** A pattern that is off by less than this at a seam meets, mm of cloth. */
const MEETS = 0.5;

/** How the pattern comes out at a seam. */
export interface SeamState {
  readonly seam: Seam;
  /** How far the pattern is off, mm of cloth; Infinity where the pieces differ in pattern, size or angle, so that it cannot meet. */
  readonly off: number;
}

/** Finds the repeat of a pattern; nothing where it is not known. */
export type RepeatOf = (source: PatternSource) => Repeat | undefined;

/** How the pattern meets at each marked seam of a product. */
export function seamStates(tryOn: TryOn, product: Product, repeatOf: RepeatOf): SeamState[] {
  return (product.seams ?? []).map((seam) => {
    const ends = endsOf(tryOn, product, seam, repeatOf);
    if (!ends) return { seam, off: Infinity };
    const { x, y } = nearestDifference(ends.lattice, ends.one.under, ends.other.under);
    return { seam, off: Math.hypot(x, y) * fillOf(tryOn, seam.one.piece).scale };
  });
}

/** Whether a pattern that is off by so much meets. */
export const meets = ({ off }: SeamState): boolean => off < MEETS;

/**
 * Moves the pattern on the pieces so that it meets at as many seams as one move for each piece can bring about: from piece to piece along
 * the seams, in their order, the first piece staying as it is. Where seams close a ring, the last of it meets only if the repeat allows it.
 */
export function matchSeams(tryOn: TryOn, product: Product, repeatOf: RepeatOf): TryOn {
  let next = tryOn;
  const waiting = [...(product.seams ?? [])];
  const reached = new Set<string>();
  while (waiting.length > 0) {
    const known = waiting.findIndex(({ one, other }) => reached.has(one.piece) || reached.has(other.piece));
    const [seam] = waiting.splice(Math.max(0, known), 1);
    if (!seam) break;
    const ends = endsOf(next, product, seam, repeatOf);
    if (ends) {
      const [fixed, moved] = reached.has(seam.other.piece) ? [ends.other, ends.one] : [ends.one, ends.other];
      // The shortest way there, so that what was placed by hand stays near.
      if (!reached.has(moved.piece.id)) {
        const by = nearestDifference(ends.lattice, moved.under, fixed.under);
        const meant = { x: moved.under.x - by.x, y: moved.under.y - by.y };
        next = hangAt(next, moved.piece, meant, moved.at);
      }
    }
    reached.add(seam.one.piece).add(seam.other.piece);
  }
  return next;
}

interface End {
  readonly piece: Piece;
  /** mm of its cloth. */
  readonly at: Point;
  /** What is printed there, mm of the pattern. */
  readonly under: Point;
}

function endsOf(
  tryOn: TryOn,
  { pieces }: Product,
  { one, other }: Seam,
  repeatOf: RepeatOf,
): { readonly one: End; readonly other: End; readonly lattice: Lattice } | undefined {
  const [fill, second] = [fillOf(tryOn, one.piece), fillOf(tryOn, other.piece)];
  const repeat = repeatOf(fill.source);
  const isSame =
    sourceKey(fill.source) === sourceKey(second.source) &&
    fill.scale === second.scale &&
    fill.rotation === second.rotation;
  if (!repeat || !isSame) return undefined;
  const endOf = ({ piece: id, x, y }: Seam['one']): End | undefined => {
    const piece = pieces.find((candidate) => candidate.id === id);
    return piece && { piece, at: { x, y }, under: transform(clothOntoPattern(piece, fillOf(tryOn, id)), { x, y }) };
  };
  const [a, b] = [endOf(one), endOf(other)];
  return a && b && { one: a, other: b, lattice: latticeOf(repeat) };
}
