import type { Point } from '../../../core/geometry/index.ts';
import { toMm } from '../viewport.ts';
import { hasGone, type Gesture } from './gesture.ts';
import type { GestureContext } from './gestureContext.ts';

/** Draws a line along which motifs are scattered; a click lays one. */
export function scatterGesture({ editor, view, line: shown, local }: GestureContext, from: Point): Gesture {
  const line = [from];
  return {
    move(event) {
      const at = local(event);
      if (!hasGone(line.at(-1) as Point, at)) return;
      line.push(at);
      shown.set([...line]);
    },
    end() {
      const viewport = view.getViewport();
      editor.scatterBrush.run(line.map((at) => toMm(viewport, at)));
    },
    cancel: () => undefined,
  };
}
