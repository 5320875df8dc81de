import type { Point } from '../../../core/geometry/index.ts';
import type { GestureContext } from './gestureContext.ts';
import type { Gesture } from './gesture.ts';

/** Moves the cloth. */
export function panGesture(context: GestureContext, from: Point): Gesture {
  let last = from;
  context.panning.set(true);
  return {
    move(event) {
      const at = context.local(event);
      context.view.panBy({ x: at.x - last.x, y: at.y - last.y });
      last = at;
    },
    end: () => undefined,
    cancel: () => undefined,
  };
}

/** Two fingers move and zoom the cloth. */
export function pinchGesture(context: GestureContext, touches: ReadonlyMap<number, Point>): Gesture {
  const read = (): { middle: Point; spread: number } => {
    const [a, b] = [...touches.values()] as [Point, Point];
    return { middle: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, spread: Math.hypot(a.x - b.x, a.y - b.y) };
  };
  let last = read();
  return {
    move() {
      if (touches.size < 2) return;
      const next = read();
      context.view.panBy({ x: next.middle.x - last.middle.x, y: next.middle.y - last.middle.y });
      context.view.zoomAt(next.middle, next.spread / Math.max(1, last.spread));
      last = next;
    },
    end: () => undefined,
    cancel: () => undefined,
  };
}
