import { type Instance, snap, snapTargets, type SnapTargets } from '../../../core/arrange/index.ts';
import { cornersAround } from '../../../core/document/index.ts';
import { type Box, boxAround, type Point, shiftBox } from '../../../core/geometry/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import type { DragStart } from '../../editor/editorState.ts';
import type { GestureContext } from './gestureContext.ts';
import { lengthToMm, type Viewport } from '../viewport.ts';
import { hasGone, type Gesture } from './gesture.ts';
import { TEXTS } from '../texts.ts';

/** Lines catch what is moved within this many CSS pixels. */
const CATCH_PX = 6;

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
  const catching = catchingOf(context, grip);
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
      context.note.set({ at, text: `${formatNumber(by.x, 1)}, ${formatNumber(by.y, 1)} mm` });
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

/** What is moved, where it was taken, and what can catch it. */
function catchingOf(
  { editor }: GestureContext,
  { selectedInstances }: DragStart,
): { box: Box; targets: SnapTargets } | undefined {
  const corners = selectedInstances.flatMap((placement) => {
    const motif = editor.motif(placement.motif);
    return motif ? cornersAround(placement, motif).map(({ x, y }) => ({ x: x + placement.x, y: y + placement.y })) : [];
  });
  if (corners.length === 0) return undefined;
  const { guides, layers, placements } = editor.design;
  const hidden = new Set(layers.filter(({ shown }) => !shown).map(({ id }) => id));
  const still = {
    placements: placements.filter(({ layer }) => !hidden.has(layer)),
    guides: editor.guidesShown.getState() ? guides : [],
  };
  return {
    box: boxAround(corners),
    targets: snapTargets(editor.lattice, still, editor.motifMap, new Set(selectedInstances.map(({ id }) => id))),
  };
}

/** How far it goes once lines have caught it; Ctrl held turns that off, or on where it is off. */
function caught(
  { editor, view, snapLines }: GestureContext,
  by: Point,
  other: boolean,
  catching: { box: Box; targets: SnapTargets } | undefined,
): Point {
  if (!catching || editor.snapping.getState() === other) {
    snapLines.set([]);
    return by;
  }
  const reach = lengthToMm(view.getViewport(), { x: CATCH_PX, y: 0 }).x;
  const snapResult = snap(shiftBox(catching.box, by), catching.targets, reach);
  snapLines.set(snapResult.lines);
  return { x: by.x + snapResult.by.x, y: by.y + snapResult.by.y };
}

/** A displacement in mm that is whole in screen pixels, so that a moved motif stays as sharp as it was. */
function wholePixels(viewport: Viewport, px: Point): Point {
  const { density } = viewport;
  return lengthToMm(viewport, { x: Math.round(px.x * density) / density, y: Math.round(px.y * density) / density });
}
