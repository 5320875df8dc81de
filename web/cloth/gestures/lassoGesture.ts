import { type Instance, selectInLasso } from '../../../core/arrange/index.ts';
import type { Point } from '../../../core/geometry/index.ts';
import type { GestureContext } from './gestureContext.ts';
import { toMm } from '../viewport.ts';
import { hasGone, type Gesture } from './gesture.ts';
import { TEXTS } from '../texts.ts';

/** Draws a box, or a free loop, and adds what lies wholly within; a mere click adds or takes away what lies under it. */
export function lassoGesture(
  { editor, view, lasso: shown, local }: GestureContext,
  from: Point,
  free: boolean,
  under: Instance | undefined,
): Gesture {
  let loop: Point[] = [];
  return {
    move(event) {
      const at = local(event);
      if (loop.length === 0 && !hasGone(from, at)) return;
      loop = free
        ? [...(loop.length === 0 ? [from] : loop), at]
        : [from, { x: at.x, y: from.y }, at, { x: from.x, y: at.y }];
      shown.set(loop);
    },
    end() {
      const { ids } = editor.selection.getState();
      if (loop.length === 0) {
        if (under)
          editor.select(ids.includes(under.id) ? ids.filter((id) => id !== under.id) : [...ids, under.id], [under]);
        return;
      }
      const viewport = view.getViewport();
      const instances = selectInLasso(
        editor.editablePlacements,
        view.pickables,
        editor.lattice,
        loop.map((at) => toMm(viewport, at)),
      );
      editor.select([...new Set([...ids, ...instances.map(({ id }) => id)])], instances);
      editor.announcement.set(TEXTS.countMotifsInIt(instances.length));
    },
    cancel: () => undefined,
  };
}
