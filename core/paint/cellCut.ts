import { type Placement, shapeMatrix } from '../document/index.ts';
import { type Box, type Point, transform } from '../geometry/index.ts';
import type { PixelGrid } from '../lattice/index.ts';
import type { Motif } from '../motif/index.ts';

/**
 * The whole pixels, relative to the placement's anchor, that a picture which fills its cell is cut to. Such a picture reaches a little over
 * its cell on all sides, so that no rounding leaves a gap; where it shows through or is blended, what lies twice would show. Since
 * instances lie whole pixels apart, boxes of the size of the cell neither overlap nor leave a gap.
 *
 * @returns undefined where the motif is no such picture, or does not fill the cell of this grid upright
 */
export function cellCut(
  placement: Placement,
  motif: Pick<Motif, 'recipe' | 'view' | 'width'>,
  { phase }: { readonly phase: Point },
  { cell, lattice, scaleX, scaleY }: PixelGrid,
): Box | undefined {
  const { recipe, view } = motif;
  // Its cell begins at (0, 0); what lies before that is the bleed.
  if (recipe?.kind !== 'tile' || view.x >= 0 || placement.rotation % 180 !== 0 || placement.skew !== 0)
    return undefined;
  // A step that mirrors or turns has more than one picture in its unit.
  const unit = Math.abs(lattice.a.x * lattice.b.y - lattice.a.y * lattice.b.x);
  if (Math.abs(unit - cell.width * cell.height) > 0.5) return undefined;
  const matrix = shapeMatrix(placement, motif);
  const from = transform(matrix, { x: 0, y: 0 });
  const to = transform(matrix, { x: view.width + 2 * view.x, y: view.height + 2 * view.y });
  const outer = transform(matrix, { x: view.x, y: view.y });
  const [wide, high] = [Math.abs(to.x - from.x) * scaleX, Math.abs(to.y - from.y) * scaleY];
  const [bleedX, bleedY] = [Math.abs(outer.x - from.x) * scaleX, Math.abs(outer.y - from.y) * scaleY];
  if (Math.abs(wide - cell.width) > bleedX || Math.abs(high - cell.height) > bleedY) return undefined;
  const left = Math.round(phase.x + ((from.x + to.x) / 2) * scaleX - cell.width / 2);
  const top = Math.round(phase.y + ((from.y + to.y) / 2) * scaleY - cell.height / 2);
  return { left, top, right: left + cell.width, bottom: top + cell.height };
}
