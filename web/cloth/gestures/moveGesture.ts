import type { Instance } from '../../../core/arrange/index.ts';
import type { Point } from '../../../core/geometry/index.ts';
import { caught, catchingOf } from './catching.ts';
import { dragPlace } from './dragText.ts';
import type { GestureContext } from './gestureContext.ts';
import { lengthToMm, type Viewport } from '../viewport.ts';
import { hasGone, type Gesture } from './gesture.ts';
import { TEXTS } from '../texts.ts';

/**
 * Moves what is chosen.
 *
 * @param deeper what lies under the hand, where a click that moves nothing goes to the next below
 */
export function moveGesture(context: GestureContext, from: Point, deeper: readonly Instance[]): Gesture {
  const { editor, view } = context;
  const grip = editor.startDrag();
  // Painting apart begins with the press, so that it is there when the hand moves.
  view.hold(grip.placements.map(({ id }) => id));
  const catching = catchingOf(context, grip.selectedInstances);
  let by: Point | undefined;
  return {
    move(event) {
      const at = context.local(event);
      if (!by && !hasGone(from, at)) return;
      by = caught(
        context,
        wholePixels(view.getViewport(), { x: at.x - from.x, y: at.y - from.y }),
        event.ctrlKey,
        catching,
      );
      editor.move(grip, by);
      context.note.set({ at, text: dragPlace(editor.shownPlace ?? by, by) });
    },
    end() {
      view.release();
      if (by)
        editor.move(
          grip,
          by,
          grip.placements.length === 1 ? TEXTS.movedAMotif : TEXTS.movedCountMotifs(grip.placements.length),
        );
      else if (deeper.length > 1) {
        const next = deeper[
          (deeper.findIndex(({ id }) => id === grip.placements[0]?.id) + 1) % deeper.length
        ] as Instance;
        editor.select([next.id], [next]);
      }
    },
    cancel() {
      if (by) editor.move(grip, { x: 0, y: 0 });
      editor.session.preview(undefined);
      view.release();
    },
  };
}

/** A displacement in mm that is whole in screen pixels, so that a moved motif stays as sharp as it was. */
function wholePixels(viewport: Viewport, px: Point): Point {
  const { density } = viewport;
  return lengthToMm(viewport, { x: Math.round(px.x * density) / density, y: Math.round(px.y * density) / density });
}
