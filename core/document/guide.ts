import { applyOpToPoint } from '../lattice/symmetry.ts';
import type { Lattice } from '../lattice/lattice.ts';

/** A line of the designer's own to lay things along. It belongs to the cell and is there again in each. */
export interface Guide {
  readonly id: string;
  /** The axis whose coordinate it fixes: a guide across `x` is upright. */
  readonly axis: 'x' | 'y';
  /** mm from the cell's left or upper edge. */
  readonly at: number;
}

/** Where a guide and its reflections by a mirrored step lie in what the lattice repeats, mm; the first lies in the cell itself. */
export function guidePlaces(
  { axis, at }: Pick<Guide, 'axis' | 'at'>,
  { ops, width, height }: Pick<Lattice, 'ops' | 'width' | 'height'>,
): number[] {
  const size = axis === 'x' ? width : height;
  const places = ops.map((image) => applyOpToPoint(image, { x: at, y: at })[axis]);
  return [...new Set(places.map((place) => place - Math.floor(place / size) * size))].sort((a, b) => a - b);
}
