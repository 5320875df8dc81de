import type { SnapLine } from '../../../core/arrange/index.ts';
import { instancesIn, knotKey } from '../../../core/draw/index.ts';
import { type Point, transform } from '../../../core/geometry/index.ts';
import { boxOfView } from '../../../core/motif/index.ts';
import type { Editor } from '../../editor/editor.ts';
import { lengthToMm, type Viewport, windowMm } from '../viewport.ts';

/** Points catch what is dragged within this many CSS pixels. */
const CATCH_PX = 6;

/** Says how far a dragged point, mm of the plane, is caught by others, and by which. */
export type KnotSnap = (at: Point) => { readonly by: Point; readonly lines: readonly SnapLine[] };

/**
 * Catches a dragged point where it comes level with another one of the motif that is not dragged, in any instance that is seen.
 */
export function knotSnap(editor: Editor, viewport: Viewport): KnotSnap {
  const { points, lattice } = editor;
  const opened = points.opened.getState();
  const artwork = points.artwork;
  if (!opened || !artwork) return () => ({ by: { x: 0, y: 0 }, lines: [] });
  const selected = points.selected.getState();
  const still = points.lines
    .getState()
    .flatMap(({ knots }, line) => knots.filter((_, knot) => !selected.has(knotKey({ line, knot }))));
  const targets = instancesIn(lattice, opened.frame, boxOfView(artwork.view), windowMm(viewport)).flatMap((matrix) =>
    still.map((knot) => transform(matrix, knot)),
  );
  const reach = lengthToMm(viewport, { x: CATCH_PX, y: 0 }).x;
  return (at) => {
    const lines: SnapLine[] = [];
    const by = { x: 0, y: 0 };
    for (const axis of ['x', 'y'] as const) {
      const other = axis === 'x' ? 'y' : 'x';
      let nearest: Point | undefined;
      for (const target of targets)
        if (Math.abs(target[axis] - at[axis]) < (nearest ? Math.abs(nearest[axis] - at[axis]) : reach))
          nearest = target;
      if (!nearest) continue;
      by[axis] = nearest[axis] - at[axis];
      lines.push({
        axis,
        at: nearest[axis],
        kind: 'motif',
        from: Math.min(nearest[other], at[other]),
        to: Math.max(nearest[other], at[other]),
        distance: Math.abs(nearest[other] - at[other]),
      });
    }
    return { by, lines };
  };
}
