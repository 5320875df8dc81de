import { fillRegion } from '../../../core/draw/index.ts';
import type { Point } from '../../../core/geometry/index.ts';
import { drawnLines } from '../drawnLines.ts';
import { TEXTS } from '../texts.ts';
import { toMm } from '../viewport.ts';
import type { Gesture } from './gesture.ts';
import type { GestureContext } from './gestureContext.ts';

/** Fills the area that was pressed on, where lines close it off. */
export function fillGesture({ editor, view }: GestureContext, at: Point): Gesture {
  return {
    move: () => undefined,
    end() {
      const region = fillRegion((window) => drawnLines(editor, view, window), toMm(view.getViewport(), at));
      if (region === 'open') editor.refusal.set(TEXTS.thisAreaIsOpen);
      else if (region === 'covered') editor.refusal.set(TEXTS.thisPlaceIsCovered);
      else editor.drawing.fill(region);
    },
    cancel: () => undefined,
  };
}
