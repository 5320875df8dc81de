import type { Point } from '../../../core/geometry/index.ts';
import type { GestureContext } from './gestureContext.ts';
import type { Gesture } from './gesture.ts';

/** Moves the cloth. */
export function panGesture(hands: GestureContext, from: Point): Gesture {
  let last = from;
  hands.panning.set(true);
  return {
    move(event) {
      const at = hands.local(event);
      hands.view.panBy({ x: at.x - last.x, y: at.y - last.y });
      last = at;
    },
    end: () => undefined,
    cancel: () => undefined,
  };
}

/** Two fingers move and zoom the cloth. */
export function pinchGesture(hands: GestureContext, touches: ReadonlyMap<number, Point>): Gesture {
  const read = (): { middle: Point; spread: number } => {
    const [a, b] = [...touches.values()] as [Point, Point];
    return { middle: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, spread: Math.hypot(a.x - b.x, a.y - b.y) };
  };
  let last = read();
  return {
    move() {
      if (touches.size < 2) return;
      const next = read();
      hands.view.panBy({ x: next.middle.x - last.middle.x, y: next.middle.y - last.middle.y });
      hands.view.zoomAt(next.middle, next.spread / Math.max(1, last.spread));
      last = next;
    },
    end: () => undefined,
    cancel: () => undefined,
  };
}
