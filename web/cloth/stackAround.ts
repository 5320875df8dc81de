import type { Placement } from '../../core/document/index.ts';

/** More than this between the lowest and the highest that move is not drawn frame by frame; it is seen over all of them until they lie still. */
const MOST_LIVE = 400;

/** The stack while some of it moves. */
export interface StackAround {
  readonly below: ReadonlySet<string>;
  /** What moves and what lies between: drawn live. */
  readonly live: readonly string[];
  readonly above: ReadonlySet<string>;
}

/** The stack around the placements that move; undefined where nothing moves. */
export function stackAround(placements: readonly Placement[], moving: readonly string[]): StackAround | undefined {
  if (moving.length === 0) return undefined;
  const held = new Set(moving);
  const first = placements.findIndex(({ id }) => held.has(id));
  const lowest = first < 0 ? placements.length : first;
  const highest = Math.max(
    lowest - 1,
    placements.findLastIndex(({ id }) => held.has(id)),
  );
  const between = placements.slice(lowest, highest + 1);
  const ids = (list: readonly Placement[]): string[] => list.map(({ id }) => id);
  if (between.length > Math.max(MOST_LIVE, moving.length)) {
    const rest = placements.slice(lowest).filter(({ id }) => !held.has(id));
    return { below: new Set(ids(placements.slice(0, lowest))), live: moving, above: new Set(ids(rest)) };
  }
  // What is not on the cloth yet will lie on top.
  return {
    below: new Set(ids(placements.slice(0, lowest))),
    live: first < 0 ? moving : ids(between),
    above: new Set(ids(placements.slice(highest + 1))),
  };
}
