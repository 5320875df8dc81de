import type { Placement } from '../../core/document/placement.ts';

/** What lies below and above the placements that move; undefined where nothing moves. */
export function stackAround(placements: readonly Placement[], moving: readonly string[]): { below: Set<string>; above: Set<string> } | undefined {
  if (moving.length === 0) return undefined;
  const held = new Set(moving);
  const first = placements.findIndex(({ id }) => held.has(id));
  const lowest = first < 0 ? placements.length : first;
  const rest = (list: readonly Placement[]): Set<string> => new Set(list.filter(({ id }) => !held.has(id)).map(({ id }) => id));
  return { below: rest(placements.slice(0, lowest)), above: rest(placements.slice(lowest)) };
}
