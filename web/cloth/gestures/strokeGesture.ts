import type { PenPoint } from '../../../core/draw/index.ts';
import type { Stroke } from '../../../core/recipe/index.ts';
import type { GestureContext } from './gestureContext.ts';
import { lengthToMm, toMm } from '../viewport.ts';
import type { Gesture } from './gesture.ts';

/** A second finger within this time, ms, means to pan, and the stroke was none. */
const HASTY_MS = 250;

/** Draws a stroke by hand. */
export function strokeGesture(context: GestureContext, from: PointerEvent, deed: Stroke['deed']): Gesture {
  return penTrack(context, from, deed, (points) => context.editor.drawing.add({ points, deed }));
}

/** Follows the pen and passes on where it went; all that it reports between two frames counts. */
export function penTrack(
  { editor: { drawing }, view, local }: GestureContext,
  from: PointerEvent,
  deed: Stroke['deed'],
  take: (points: readonly PenPoint[]) => void,
): Gesture {
  const viewport = view.getViewport();
  const began = from.timeStamp;
  const penPoint = (event: PointerEvent): PenPoint => ({
    ...toMm(viewport, local(event)),
    time: Math.max(0, Math.round(event.timeStamp - began)),
    // Only a pen tells how far it is pressed; a mouse says a half, and fingers what they like.
    pressure: event.pointerType === 'pen' ? event.pressure : 1,
  });
  const points = [penPoint(from)];
  let predicted: PenPoint[] = [];
  const show = (): void => drawing.pen.set({ points: [...points], predicted, deed });
  const finish = (): void => {
    drawing.pen.set(undefined);
    take(points);
  };
  show();
  return {
    move(event) {
      const reported = event.getCoalescedEvents();
      points.push(...(reported.length > 0 ? reported : [event]).map(penPoint));
      predicted = event.getPredictedEvents().map(penPoint);
      show();
    },
    end: finish,
    cancel: () => drawing.pen.set(undefined),
    lose(toPinch) {
      if (toPinch && (points.at(-1)?.time ?? 0) < HASTY_MS) drawing.pen.set(undefined);
      else finish();
    },
  };
}

/** Within this many CSS pixels a stroke counts as touched. */
const REACH_PX = 4;

/** Takes away every stroke that the hand goes over. */
export function removeGesture({ editor: { drawing }, view, local }: GestureContext, from: PointerEvent): Gesture {
  const viewport = view.getViewport();
  const reach = lengthToMm(viewport, { x: REACH_PX, y: 0 }).x;
  const remove = (event: PointerEvent): void => void drawing.removeAt(toMm(viewport, local(event)), reach);
  remove(from);
  return {
    move(event) {
      for (const each of [...event.getCoalescedEvents(), event]) remove(each);
    },
    end: () => undefined,
    cancel: () => undefined,
  };
}
