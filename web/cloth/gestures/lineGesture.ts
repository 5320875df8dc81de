import { type Point, smoothPolyline } from '../../../core/geometry/index.ts';
import type { GestureContext } from './gestureContext.ts';
import { toMm } from '../viewport.ts';
import { hasGone, type Gesture } from './gesture.ts';

/** Draws a line on the cloth and passes it on, smoothed, in mm. */
export function lineGesture(
  { view, line: shown, local }: GestureContext,
  from: Point,
  take: (line: readonly Point[]) => void,
): Gesture {
  const line = [from];
  return {
    move(event) {
      const at = local(event);
      if (!hasGone(line.at(-1) as Point, at)) return;
      line.push(at);
      shown.set([...line]);
    },
    end() {
      if (line.length < 2) return;
      const viewport = view.getViewport();
      take(smoothPolyline(line.map((at) => toMm(viewport, at))));
    },
    cancel: () => undefined,
  };
}
