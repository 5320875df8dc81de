import { cornerAt, levelled, type OpenPath, pullHandles } from '../../../core/draw/index.ts';
import type { Point } from '../../../core/geometry/index.ts';
import { toCss, toMm } from '../viewport.ts';
import { hasGone, type Gesture } from './gesture.ts';
import type { GestureContext } from './gestureContext.ts';
import { knotSnap } from './snapKnots.ts';

/** The first point is hit, and so the path closed, within this many CSS pixels; with a finger within the second. */
const [REACH_PX, FINGER_PX] = [9, 20];

/** Sets a point of the path, pulls its handles while the hand drags, and closes the path at its first point. */
export function penGesture(context: GestureContext, event: PointerEvent, from: Point): Gesture {
  const { editor, view, local, snapLines } = context;
  const { drawing } = editor;
  const before = drawing.path.open.getState();
  const viewport = view.getViewport();
  const [first] = before?.knots ?? [];
  const reach = event.pointerType === 'touch' ? FINGER_PX : REACH_PX;
  const isClosing =
    first !== undefined && (before?.knots.length ?? 0) > 1 && isNear(toCss(viewport, first), from, reach);
  const path: OpenPath = isClosing
    ? { knots: before?.knots ?? [], closed: true }
    : { knots: [...(before?.knots ?? []), cornerAt(placeOf(context, before, event, from))], closed: false };
  drawing.path.open.set(path);
  snapLines.set([]);
  return {
    move(moved) {
      const at = local(moved);
      if (isClosing || !hasGone(from, at)) return;
      drawing.path.open.set(pullHandles(path, toMm(view.getViewport(), at), moved.altKey));
    },
    end() {
      if (isClosing) drawing.path.end(true);
    },
    cancel: () => drawing.path.open.set(before),
  };
}

/** Where a point is set: level with the last one where Shift is held, or else where another point catches it. */
function placeOf({ editor, view }: GestureContext, path: OpenPath | undefined, event: PointerEvent, at: Point): Point {
  const to = toMm(view.getViewport(), at);
  const last = path?.knots.at(-1);
  if (event.shiftKey && last) return levelled(last, to);
  if (editor.snapping.getState() === event.ctrlKey) return to;
  const { by } = knotSnap(editor, view.getViewport())(to);
  return { x: to.x + by.x, y: to.y + by.y };
}

const isNear = (a: Point, b: Point, reach: number): boolean => Math.hypot(a.x - b.x, a.y - b.y) <= reach;
