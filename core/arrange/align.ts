import { boxAroundCentre, type Placement, type PlacementChange } from '../document/index.ts';
import { type Box, boxAround } from '../geometry/index.ts';
import type { Lattice } from '../lattice/index.ts';
import type { Motif } from '../motif/index.ts';
import { gatherInstances } from './gatherInstances.ts';

type Sized = Pick<Motif, 'width' | 'view'>;
export type Axis = 'x' | 'y';
/** The lower edge (left, top), the middle, or the upper edge (right, bottom) along an axis. */
export type Side = 'low' | 'middle' | 'high';
/** What is lined up to: all that is chosen, the cell, or the one that was chosen first. */
export type Reference = 'chosen' | 'cell' | 'first';
export type PlacementChanges = Record<string, PlacementChange>;

interface Laid {
  readonly one: Placement;
  /** On the plane, at the instance that lies next to the others. */
  readonly low: number;
  readonly high: number;
}

/**
 * Lines placements up by one side of their boxes. Those that straddle a join are taken where they lie next to each
 * other. In the cell, they are lined up to its edges or its middle.
 */
export function align(
  lattice: Lattice,
  placements: readonly Placement[],
  motifs: ReadonlyMap<string, Sized>,
  axis: Axis,
  side: Side,
  to: Reference,
): PlacementChanges {
  const laid = laidAlong(lattice, placements, motifs, axis);
  const [first] = laid;
  if (!first) return {};
  const size = axis === 'x' ? lattice.cell.width : lattice.cell.height;
  const all = boxAround(
    laid.flatMap(({ low, high }) => [
      { x: low, y: 0 },
      { x: high, y: 0 },
    ]),
  );
  const target: Pick<Laid, 'low' | 'high'> =
    to === 'cell' ? { low: 0, high: size } : to === 'first' ? first : { low: all.left, high: all.right };
  const at = ({ low, high }: Pick<Laid, 'low' | 'high'>): number =>
    side === 'low' ? low : side === 'high' ? high : (low + high) / 2;
  return Object.fromEntries(laid.map((laid) => [laid.one.id, moved(laid.one, axis, at(target) - at(laid))]));
}

/** How placements are spaced: middles evenly, gaps evenly between the outer two, gaps of a typed size, or evenly round the cell. */
export type Spacing =
  | { readonly by: 'middles' }
  | { readonly by: 'gaps' }
  | { readonly by: 'gap'; readonly mm: number }
  | { readonly by: 'cell' };

/**
 * Spaces placements along an axis, in the order in which they lie. Round the cell, the gap from the last to the instance of the first is
 * as large as all others; where the motifs are wider than the cell, the gaps are evenly below nothing.
 */
export function distribute(
  lattice: Lattice,
  placements: readonly Placement[],
  motifs: ReadonlyMap<string, Sized>,
  axis: Axis,
  spacing: Spacing,
): PlacementChanges {
  const laid = laidAlong(lattice, placements, motifs, axis).sort((a, b) => a.low + a.high - b.low - b.high);
  const [first, last] = [laid[0], laid.at(-1)];
  if (!first || !last || laid.length < 2) return {};
  const widths = laid.reduce((sum, { low, high }) => sum + high - low, 0);
  const size = axis === 'x' ? lattice.cell.width : lattice.cell.height;
  if (spacing.by === 'middles') {
    const [from, to] = [(first.low + first.high) / 2, (last.low + last.high) / 2];
    return Object.fromEntries(
      laid.map(({ one, low, high }, n) => [
        one.id,
        moved(one, axis, from + ((to - from) * n) / (laid.length - 1) - (low + high) / 2),
      ]),
    );
  }
  const gap =
    spacing.by === 'gap'
      ? spacing.mm
      : spacing.by === 'cell'
        ? (size - widths) / laid.length
        : (last.high - first.low - widths) / (laid.length - 1);
  let at = first.low;
  return Object.fromEntries(
    laid.map(({ one, low, high }) => {
      const by = at - low;
      at += high - low + gap;
      return [one.id, moved(one, axis, by)];
    }),
  );
}

function laidAlong(
  lattice: Lattice,
  placements: readonly Placement[],
  motifs: ReadonlyMap<string, Sized>,
  axis: Axis,
): Laid[] {
  return gatherInstances(lattice, placements).flatMap((placement) => {
    const motif = motifs.get(placement.motif);
    if (!motif) return [];
    const box: Box = boxAroundCentre(placement, motif);
    return [
      axis === 'x'
        ? { one: placement, low: placement.x + box.left, high: placement.x + box.right }
        : { one: placement, low: placement.y + box.top, high: placement.y + box.bottom },
    ];
  });
}

/** Both coordinates, since the instance that is moved may be an instance, which on a stepped lattice lies off in both. */
function moved({ x, y }: Placement, axis: Axis, by: number): PlacementChange {
  return axis === 'x' ? { x: x + by, y } : { x, y: y + by };
}
