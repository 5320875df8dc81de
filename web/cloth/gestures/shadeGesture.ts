import { invert, type Matrix, type Point, transform } from '../../../core/geometry/index.ts';
import type { ShadingEnd } from '../../editor/shadeHand.ts';
import { toMm } from '../viewport.ts';
import { type Gesture, hasGone } from './gesture.ts';
import type { GestureContext } from './gestureContext.ts';
import { panGesture } from './panGesture.ts';

/** Shades the stroke that is pressed on, along the way that it is dragged; a click shows its handles. Pans the cloth elsewhere. */
export function shadeGesture(context: GestureContext, from: Point): Gesture {
  const { editor, view, local } = context;
  const { shades } = editor.drawing;
  const found = shades.strokeAt(toMm(view.getViewport(), from));
  const back = found && invert(found.matrix);
  if (!found || !back) return panGesture(context, from);
  const inOwn = (at: Point): Point => transform(back, toMm(view.getViewport(), at));
  const start = inOwn(from);
  let isDragged = false;
  return {
    move(event) {
      const at = local(event);
      isDragged ||= hasGone(from, at);
      if (isDragged) shades.drag(found.number, start, inOwn(at));
    },
    end() {
      if (isDragged) shades.keep();
      else shades.choose(found.number);
    },
    cancel: () => shades.draft.set(undefined),
  };
}

/** Drags a handle of the shading that is shown. @param matrix from the stroke's own mm to where it is seen */
export function shadingEndGesture({ editor, view, local }: GestureContext, end: ShadingEnd, matrix: Matrix): Gesture {
  const { shades } = editor.drawing;
  const back = invert(matrix);
  const chosen = shades.chosen.getState();
  if (chosen) shades.choose(chosen.stroke, end);
  return {
    move(event) {
      if (back) shades.dragEnd(end, transform(back, toMm(view.getViewport(), local(event))));
    },
    end: () => shades.keep(),
    cancel: () => shades.draft.set(undefined),
  };
}
