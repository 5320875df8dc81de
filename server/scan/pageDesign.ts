import { nanoid } from 'nanoid';
import type { StoredMotif } from '../../contract/index.ts';
import { type Design, newDesign, newPlacement } from '../../core/document/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import { LARGEST_CELL_MM, SMALLEST_CELL_MM, step } from '../../core/lattice/index.ts';
import { Problem } from '../problem.ts';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** @throws Problem (422) where a page is smaller or larger than a cell can be, mm */
export function requireCell({ width, height }: Size): void {
  if (Math.min(width, height) >= SMALLEST_CELL_MM && Math.max(width, height) <= LARGEST_CELL_MM) return;
  throw new Problem(
    422,
    'Not a cell',
    `A page of ${Math.round(width)} × ${Math.round(height)} mm cannot be a cell, which has sides of ${SMALLEST_CELL_MM} to ${LARGEST_CELL_MM} mm. Nothing was made; change its dots per inch, or do not lay it out.`,
  );
}

/** A design whose cell is a page, as large as a cell can be, with the motifs where they lay on it. */
export function pageDesign(
  name: string,
  page: Size,
  laid: readonly { readonly motif: StoredMotif; readonly at: Point }[],
): Design {
  return {
    ...newDesign(nanoid(12), name, { ...page, step: step('square') }),
    placements: laid.map(({ motif, at }) => newPlacement(nanoid(12), motif, at)),
  };
}
