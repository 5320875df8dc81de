import type { Instance } from '../../core/arrange/index.ts';
import type { Placement } from '../../core/document/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import { type Lattice, type LatticeIndex, latticeTranslate, nearestInstanceIndex } from '../../core/lattice/index.ts';

/** What is chosen, in the order in which it was, and the instance of each that is meant: where its pins are shown. */
export interface Selection {
  readonly ids: readonly string[];
  readonly indices: ReadonlyMap<string, LatticeIndex>;
}

export const NO_SELECTION: Selection = { ids: [], indices: new Map() };

const HOME: LatticeIndex = { i: 0, j: 0 };

/**
 * A new selection. Those that were chosen before stay at their instances, others are taken at those given, or next to
 * the first.
 */
export function selectInstances(
  lattice: Lattice,
  placements: ReadonlyMap<string, Placement>,
  before: Selection,
  ids: readonly string[],
  given: readonly Instance[],
): Selection {
  if (ids.length === 0) return NO_SELECTION;
  const told = new Map(given.map(({ id, index }) => [id, index]));
  const indices = new Map<string, LatticeIndex>();
  let first: Point | undefined;
  for (const id of ids) {
    const placement = placements.get(id);
    if (!placement) continue;
    const steps =
      told.get(id) ?? before.indices.get(id) ?? (first ? nearestInstanceIndex(lattice, placement, first) : HOME);
    indices.set(id, steps);
    first ??= instancePoint(lattice, placement, steps);
  }
  return { ids: [...indices.keys()], indices };
}

/** The same selection with one of it taken at another of its instances, and all else along with it. */
export function reanchorSelection({ ids, indices }: Selection, { id, index }: Instance): Selection {
  const from = indices.get(id) ?? HOME;
  const [di, dj] = [index.i - from.i, index.j - from.j];
  return di === 0 && dj === 0
    ? { ids, indices }
    : { ids, indices: new Map([...indices].map(([one, { i, j }]) => [one, { i: i + di, j: j + dj }])) };
}

/** Where an instance of a placement lies. */
export function instancePoint(lattice: Lattice, { x, y }: Point, steps: LatticeIndex | undefined): Point {
  const by = latticeTranslate(lattice, steps ?? HOME);
  return { x: x + by.x, y: y + by.y };
}
