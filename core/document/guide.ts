import type { Lattice } from '../repeat/lattice.ts';

/** A line of the designer's own to lay things along. It belongs to the cell and is there again in each. */
export interface Guide {
  readonly id: string;
  /** The axis whose coordinate it fixes: a guide across `x` is upright. */
  readonly axis: 'x' | 'y';
  /** mm from the cell's left or upper edge. */
  readonly at: number;
}

/** A guide's place brought into the cell. */
export function guideInCell({ axis, at }: Guide, { width, height }: Pick<Lattice, 'width' | 'height'>): number {
  const size = axis === 'x' ? width : height;
  return at - Math.floor(at / size) * size;
}
