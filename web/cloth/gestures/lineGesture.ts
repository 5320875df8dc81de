import { type Point, smoothPolyline } from '../../../core/geometry/index.ts';
import type { GestureContext } from './gestureContext.ts';
import { toMm } from '../viewport.ts';
import { hasGone, type Gesture } from './gesture.ts';

/** Draws a line on the cloth and passes it on, smoothed, in mm. @param isPointTaken whether a click counts, too, as a line of one point */
export function lineGesture(
  { view, line: shown, local }: GestureContext,
  from: Point,
  take: (line: readonly Point[]) => void,
  isPointTaken = false,
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
      const viewport = view.getViewport();
      const onPlane = line.map((at) => toMm(viewport, at));
      if (line.length > 1) take(smoothPolyline(onPlane));
      else if (isPointTaken) take(onPlane);
    },
    cancel: () => undefined,
  };
}
