import { colourDifference, type Hex, seenAs, type Vision } from '../colour/index.ts';
import { type InkEdges, pairKey } from './inkEdges.ts';

/** Two inks that touch on the cloth and can hardly be told apart. */
export interface WeakPair {
  readonly a: string;
  readonly b: string;
  /** CIEDE2000. */
  readonly difference: number;
  /** How long they touch in a tile, mm. */
  readonly edge: number;
}

/** Below this, colours that touch run together at arm’s length (CIEDE2000). */
export const LEAST_CONTRAST = 12;

/**
 * Pairs of inks that lie next to each other and differ too little, the worst first.
 *
 * @param inks in the order of the labels that were measured
 * @param mmPerPixel of what was measured
 * @param vision a way of seeing in which they are compared
 */
export function weakPairs(
  inks: readonly { readonly id: string; readonly colour: Hex }[],
  edges: InkEdges,
  mmPerPixel: number,
  least: number = LEAST_CONTRAST,
  vision?: Vision,
): readonly WeakPair[] {
  const seen = inks.map(({ colour }) => (vision ? seenAs(colour, vision) : colour));
  const pairs: WeakPair[] = [];
  for (const [n, a] of inks.entries())
    for (const [m, b] of inks.entries()) {
      const pixels = m > n ? (edges.get(pairKey(n, m)) ?? 0) : 0;
      if (pixels === 0) continue;
      const difference = colourDifference(seen[n] as Hex, seen[m] as Hex);
      if (difference < least) pairs.push({ a: a.id, b: b.id, difference, edge: pixels * mmPerPixel });
    }
  return pairs.sort((p, q) => p.difference - q.difference);
}
