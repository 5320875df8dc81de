import type { Point } from '../../../core/geometry/index.ts';
import { toMm } from '../viewport.ts';
import type { Gesture } from './gesture.ts';
import type { GestureContext } from './gestureContext.ts';

/** Fills the area that was pressed on, where lines close it off. */
export function fillGesture({ editor, view }: GestureContext, at: Point): Gesture {
  return {
    move: () => undefined,
    end: () => editor.areaFill.run(toMm(view.getViewport(), at)),
    cancel: () => undefined,
  };
}
