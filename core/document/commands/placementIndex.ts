import type { Design } from '../design.ts';
import type { Placement } from '../placement.ts';
import { CommandError } from './commandKind.ts';

const indices = new WeakMap<readonly Placement[], ReadonlyMap<string, number>>();

/** Where each placement lies in the list, by its id; made once for each list. */
export function placementIndex(placements: readonly Placement[]): ReadonlyMap<string, number> {
  let index = indices.get(placements);
  if (!index) {
    index = new Map(placements.map(({ id }, n) => [id, n]));
    indices.set(placements, index);
  }
  return index;
}

/** The list with some placements changed in place: O(k) for k changes, and one copy of the list's pointers. */
export function withChanged(
  placements: readonly Placement[],
  changed: ReadonlyMap<number, Placement>,
): readonly Placement[] {
  const next = [...placements];
  for (const [n, placement] of changed) next[n] = placement;
  // The same ids lie at the same places.
  indices.set(next, placementIndex(placements));
  return next;
}

/** The place of a placement in the list. @throws CommandError */
export function requirePlacement({ placements }: Design, id: string): number {
  const n = placementIndex(placements).get(id);
  if (n === undefined) throw new CommandError(`there is no motif ${id} on the cloth`);
  return n;
}
