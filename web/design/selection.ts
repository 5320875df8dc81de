import type { Instance } from '../../core/arrange/pick.ts';
import type { Placement } from '../../core/document/placement.ts';
import type { Point } from '../../core/geometry/point.ts';
import { nearestInstanceIndex } from '../../core/repeat/echoes.ts';
import { latticeTranslate, type Lattice, type LatticeIndex } from '../../core/repeat/lattice.ts';

/** What is chosen, in the order in which it was, and the appearance of each that is meant: where its pins are shown. */
export interface Selection {
  readonly ids: readonly string[];
  readonly at: ReadonlyMap<string, LatticeIndex>;
}

export const NOTHING: Selection = { ids: [], at: new Map() };

const HOME: LatticeIndex = { i: 0, j: 0 };

/**
 * A new selection. Those that were chosen before stay at their appearances, others are taken at those given, or next to
 * the first.
 */
export function chosen(
  lattice: Lattice,
  placements: ReadonlyMap<string, Placement>,
  before: Selection,
  ids: readonly string[],
  given: readonly Instance[],
): Selection {
  if (ids.length === 0) return NOTHING;
  const told = new Map(given.map(({ id, steps }) => [id, steps]));
  const at = new Map<string, LatticeIndex>();
  let first: Point | undefined;
  for (const id of ids) {
    const placement = placements.get(id);
    if (!placement) continue;
    const steps = told.get(id) ?? before.at.get(id) ?? (first ? nearestInstanceIndex(lattice, placement, first) : HOME);
    at.set(id, steps);
    first ??= seenAt(lattice, placement, steps);
  }
  return { ids: [...at.keys()], at };
}

/** The same selection with one of it taken at another of its appearances, and all else along with it. */
export function carriedTo({ ids, at }: Selection, { id, steps }: Instance): Selection {
  const from = at.get(id) ?? HOME;
  const [di, dj] = [steps.i - from.i, steps.j - from.j];
  return di === 0 && dj === 0
    ? { ids, at }
    : { ids, at: new Map([...at].map(([one, { i, j }]) => [one, { i: i + di, j: j + dj }])) };
}

/** Where an appearance of a placement lies. */
export function seenAt(lattice: Lattice, { x, y }: Point, steps: LatticeIndex | undefined): Point {
  const by = latticeTranslate(lattice, steps ?? HOME);
  return { x: x + by.x, y: y + by.y };
}
