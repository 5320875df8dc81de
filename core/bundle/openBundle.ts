import { apply, type Design, type Placement } from '../document/index.ts';
import { latticeOf, nearestDifference } from '../lattice/index.ts';
import type { Motif } from '../motif/index.ts';
import type { Part } from '../recipe/index.ts';
import { bundlePose, loosenBundle } from './loosen.ts';
import { partsAbout } from './partsAbout.ts';
import { replacePlacements } from './replacePlacements.ts';

/** All that is not in the bundle is seen this faintly while it is open. */
const FAINT = 0.22;

/** A bundle that lies open on the cloth: its parts as placements among all else, which only shows faintly. */
export interface OpenedBundle {
  readonly design: Design;
  readonly placement: Placement;
  readonly bundle: Pick<Motif, 'width' | 'view'>;
  /** The placements that are not of the bundle. */
  readonly others: ReadonlySet<string>;
  /** The parts where the bundle has them, which may be outside the cell. */
  readonly laid: readonly Placement[];
}

/** Opens a bundle where it lies. @throws LoosenError */
export function openBundle(
  design: Design,
  placement: Placement,
  bundle: Pick<Motif, 'width' | 'view'>,
  parts: readonly Part[],
  newId: () => string,
): OpenedBundle {
  // Seen as they are in the bundle, however faint the bundle itself lies.
  const laid = loosenBundle({ ...placement, opacity: 1 }, bundle, parts, newId);
  const others = new Set(design.placements.map(({ id }) => id).filter((id) => id !== placement.id));
  const open = apply(design, replacePlacements(design, [placement.id], laid));
  return {
    design: {
      ...open,
      placements: open.placements.map((placement) =>
        others.has(placement.id) ? { ...placement, opacity: placement.opacity * FAINT } : placement,
      ),
    },
    placement,
    bundle,
    others,
    laid,
  };
}

/**
 * The parts as they lie now, for the bundle to be made of. A part that was brought into the cell comes back to the
 * instance nearest to where it was; a new one is taken nearest to the bundle.
 *
 * @param design the opened design after the hand is done
 */
export function closedParts(opened: OpenedBundle, design: Design): Part[] {
  const lattice = latticeOf(design.repeat);
  const before = new Map(opened.laid.map((placement) => [placement.id, placement]));
  const now = design.placements
    .filter(({ id }) => !opened.others.has(id))
    .map((placement) => {
      const from = before.get(placement.id) ?? opened.placement;
      const by = nearestDifference(lattice, placement, from);
      return { ...placement, x: from.x + by.x, y: from.y + by.y };
    });
  return partsAbout(now, bundlePose(opened.placement, opened.bundle));
}
