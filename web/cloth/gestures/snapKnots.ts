import type { SnapLine } from '../../../core/arrange/index.ts';
import { instancesIn, knotKey } from '../../../core/draw/index.ts';
import { boxAround, IDENTITY, type Point, transform } from '../../../core/geometry/index.ts';
import { boxOfView } from '../../../core/motif/index.ts';
import type { Editor } from '../../editor/editor.ts';
import { lengthToMm, type Viewport, windowMm } from '../viewport.ts';

/** Points catch what is dragged within this many CSS pixels. */
const CATCH_PX = 6;

/** Says how far a dragged point, mm of the plane, is caught by others, and by which. */
export type KnotSnap = (at: Point) => { readonly by: Point; readonly lines: readonly SnapLine[] };

/**
 * Catches a point where it comes level with another one of the motif that is open, or of the path that is being made, in any instance that
 * is seen.
 */
export function knotSnap(editor: Editor, viewport: Viewport): KnotSnap {
  const targets = [...openedPoints(editor, viewport), ...pathPoints(editor, viewport)];
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

/** The points of the motif that is open which are not dragged. */
function openedPoints({ points, lattice }: Editor, viewport: Viewport): Point[] {
  const opened = points.opened.getState();
  const artwork = points.artwork;
  if (!opened || !artwork) return [];
  const selected = points.selected.getState();
  const still = points.lines
    .getState()
    .flatMap(({ knots }, line) => knots.filter((_, knot) => !selected.has(knotKey({ line, knot }))));
  return instancesIn(lattice, opened.frame, boxOfView(artwork.view), windowMm(viewport)).flatMap((matrix) =>
    still.map((knot) => transform(matrix, knot)),
  );
}

/** The points of the path that is being made, in all its instances. */
function pathPoints({ drawing, lattice }: Editor, viewport: Viewport): Point[] {
  const knots = drawing.path.open.getState()?.knots ?? [];
  if (knots.length === 0) return [];
  return instancesIn(lattice, IDENTITY, boxAround(knots), windowMm(viewport)).flatMap((matrix) =>
    knots.map((knot) => transform(matrix, knot)),
  );
}
