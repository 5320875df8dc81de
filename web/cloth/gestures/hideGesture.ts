import { areaLoop, drawnStroke, outlinesOf, type PenPoint } from '../../../core/draw/index.ts';
import type { Point } from '../../../core/geometry/index.ts';
import { TEXTS } from '../texts.ts';
import { toMm } from '../viewport.ts';
import type { Gesture } from './gesture.ts';
import type { GestureContext } from './gestureContext.ts';
import { hasGone } from './gesture.ts';
import { panGesture } from './panGesture.ts';
import { penTrack } from './strokeGesture.ts';

/** Marks an area of the motif that is open for its mask; pans the cloth where none is open. */
export function hideGesture(context: GestureContext, event: PointerEvent, from: Point): Gesture {
  const { masking } = context.editor;
  if (!masking.opened.getState()) return panGesture(context, from);
  const tool = masking.tool.getState();
  if (tool === 'brush') return brushArea(context, event);
  return tool === 'lasso' ? lassoArea(context, from) : cornersArea(context, from, tool);
}

function take({ editor: { masking, refusal } }: GestureContext, loops: readonly (readonly Point[])[]): void {
  if (!masking.add(loops)) refusal.set(TEXTS.besideTheMotif);
}

function lassoArea(context: GestureContext, from: Point): Gesture {
  const { view, lasso, local } = context;
  const loop = [from];
  return {
    move(event) {
      const at = local(event);
      if (!hasGone(loop.at(-1) as Point, at)) return;
      loop.push(at);
      lasso.set([...loop]);
    },
    end() {
      const viewport = view.getViewport();
      if (loop.length > 2) take(context, [loop.map((at) => toMm(viewport, at))]);
    },
    cancel: () => undefined,
  };
}

function cornersArea(context: GestureContext, from: Point, shape: 'box' | 'ellipse'): Gesture {
  const { view, lasso, local } = context;
  let loop: Point[] = [];
  return {
    move(event) {
      const at = local(event);
      if (loop.length === 0 && !hasGone(from, at)) return;
      loop = areaLoop(shape, from, at);
      lasso.set(loop);
    },
    end() {
      const viewport = view.getViewport();
      if (loop.length > 0) take(context, [loop.map((at) => toMm(viewport, at))]);
    },
    cancel: () => undefined,
  };
}

/** As wide as the brush, and as even: what it goes over is seen to go, or to come back, at once. */
function brushArea(context: GestureContext, from: PointerEvent): Gesture {
  const { masking, drawing } = context.editor;
  const deed = masking.deed.getState() === 'show' ? 'line' : 'rubber';
  return penTrack(context, from, deed, (points: readonly PenPoint[]) => {
    const brush = { ...drawing.brush.getState(), thinning: 0, taperStart: 0, taperEnd: 0, roughness: 0 };
    take(context, outlinesOf(drawnStroke(brush, points, 1)));
  });
}
