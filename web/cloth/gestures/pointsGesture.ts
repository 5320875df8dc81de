import { type Knot, type KnotIndex, knotKey, nearestOnLines } from '../../../core/draw/index.ts';
import { invert, type Point, transform } from '../../../core/geometry/index.ts';
import type { OpenedPoints } from '../../editor/openedPoints.ts';
import type { PointsEditing } from '../../editor/pointsEditing.ts';
import { toCss, toMm } from '../viewport.ts';
import type { GestureContext } from './gestureContext.ts';
import { hasGone, type Gesture } from './gesture.ts';
import { knotSnap } from './snapKnots.ts';

/** Points and curves are taken within this many CSS pixels; with a finger within the second. */
const [REACH_PX, FINGER_PX] = [8, 20];

/** Takes a handle or a point, adds one on a curve, or selects those in a box. */
export function pointsGesture(context: GestureContext, event: PointerEvent, at: Point): Gesture {
  const { view } = context;
  const { points } = context.editor;
  const opened = points.opened.getState();
  const nothing = { move: () => undefined, end: () => undefined, cancel: () => undefined };
  const back = opened && invert(opened.frame);
  if (!opened || !back) return nothing;
  const reach = event.pointerType === 'touch' ? FINGER_PX : REACH_PX;
  const own = (px: Point): Point => transform(back, toMm(view.getViewport(), px));
  const seen = (p: Point): Point => toCss(view.getViewport(), transform(opened.frame, p));
  const near = (p: Point): boolean => {
    const { x, y } = seen(p);
    return Math.hypot(x - at.x, y - at.y) <= reach;
  };

  const handle = handleAt(points, near);
  if (handle) {
    points.hold();
    return dragging(points, (moved) =>
      points.dragHandle(handle.index, handle.which, own(context.local(moved)), moved.altKey),
    );
  }
  const index = knotAt(points, near);
  if (index) {
    const isSelected = points.selected.getState().has(knotKey(index));
    if (event.shiftKey) points.select([index], true);
    else if (!isSelected) points.select([index]);
    return knotDrag(context, points, own, at);
  }
  const nearest = nearestOnLines(points.lines.getState(), own(at));
  if (nearest && nearest.distance * pxPerUnit(seen) <= reach) {
    points.insert(nearest.index, Math.min(0.98, Math.max(0.02, nearest.t)));
    return knotDrag(context, points, own, at);
  }
  return boxSelection(context, points, opened, at, event.shiftKey);
}

function pxPerUnit(seen: (p: Point) => Point): number {
  const [o, e] = [seen({ x: 0, y: 0 }), seen({ x: 1, y: 0 })];
  return Math.hypot(e.x - o.x, e.y - o.y);
}

function dragging(points: PointsEditing, move: (event: PointerEvent) => void): Gesture {
  return { move, end: () => points.release(true), cancel: () => points.release(false) };
}

function knotDrag(context: GestureContext, points: PointsEditing, own: (px: Point) => Point, at: Point): Gesture {
  const { editor, view, snapLines } = context;
  const from = own(at);
  const frame = points.opened.getState()?.frame;
  const snap = knotSnap(editor, view.getViewport());
  const back = frame && invert(frame);
  let gone = false;
  points.hold();
  return dragging(points, (event) => {
    const px = context.local(event);
    gone ||= hasGone(at, px);
    if (!gone || !back) return;
    const to = toMm(view.getViewport(), px);
    const isSnapping = editor.snapping.getState() !== event.ctrlKey;
    const { by, lines } = isSnapping ? snap(to) : { by: { x: 0, y: 0 }, lines: [] };
    snapLines.set(lines);
    const end = transform(back, { x: to.x + by.x, y: to.y + by.y });
    points.dragSelected({ x: end.x - from.x, y: end.y - from.y });
  });
}

/** The handles of points that are selected are in reach before any point is. */
function handleAt(
  points: PointsEditing,
  near: (p: Point) => boolean,
): { readonly index: KnotIndex; readonly which: 'into' | 'out' } | undefined {
  const lines = points.lines.getState();
  for (const key of points.selected.getState()) {
    const [line = 0, n = 0] = key.split(' ').map(Number);
    const knot = lines[line]?.knots[n];
    if (!knot) continue;
    for (const which of ['out', 'into'] as const) {
      const isOut = Math.hypot(knot[which].x - knot.x, knot[which].y - knot.y) > 1e-6;
      if (isOut && near(knot[which]) && !near(knot)) return { index: { line, knot: n }, which };
    }
  }
  return undefined;
}

function knotAt(points: PointsEditing, near: (p: Point) => boolean): KnotIndex | undefined {
  let found: KnotIndex | undefined;
  points.lines.getState().forEach(({ knots }, line) => {
    knots.forEach((one: Knot, knot) => {
      if (near(one)) found ??= { line, knot };
    });
  });
  return found;
}

/** Selects the points within a box; a click on nothing selects none. */
function boxSelection(
  { view, lasso, local }: GestureContext,
  points: PointsEditing,
  { frame }: OpenedPoints,
  from: Point,
  isMore: boolean,
): Gesture {
  let to = from;
  return {
    move(event) {
      to = local(event);
      lasso.set([from, { x: to.x, y: from.y }, to, { x: from.x, y: to.y }]);
    },
    end() {
      const [left, right] = [Math.min(from.x, to.x), Math.max(from.x, to.x)];
      const [top, bottom] = [Math.min(from.y, to.y), Math.max(from.y, to.y)];
      const within = points.lines.getState().flatMap(({ knots }, line) =>
        knots.flatMap((one, knot) => {
          const { x, y } = toCss(view.getViewport(), transform(frame, one));
          return x >= left && x <= right && y >= top && y <= bottom ? [{ line, knot }] : [];
        }),
      );
      points.select(within, isMore);
    },
    cancel: () => undefined,
  };
}
