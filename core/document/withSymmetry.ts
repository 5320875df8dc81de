import { applyOpToPose, type Lattice } from '../lattice/index.ts';
import type { Placement } from './placement.ts';

/**
 * All that the lattice repeats: each placement and, directly above it, its reflections by a mirrored step, which bear
 * its id. As many of each as there are images, in their order; the same array where there is none but the cell itself.
 */
export function withSymmetry({ ops }: Pick<Lattice, 'ops'>, placements: readonly Placement[]): readonly Placement[] {
  return ops.length === 1
    ? placements
    : placements.flatMap((placement) => ops.map((image) => applyOpToPose(image, placement)));
}
