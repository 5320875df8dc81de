import type { DesignMotif } from '../../../contract/index.ts';
import { type Command, newPlacement } from '../../../core/document/index.ts';
import type { Point } from '../../../core/geometry/index.ts';
import { placeInCell } from '../../../core/lattice/index.ts';
import type { GestureContext } from './gestureContext.ts';
import { toMm } from '../viewport.ts';
import { caught, catchingOf } from './catching.ts';
import { dragPlace } from './dragText.ts';
import type { Gesture } from './gesture.ts';
import { TEXTS } from '../texts.ts';

/** Brings a motif from the tray; it lies on the cloth as soon as the pointer is over it. */
export function carryGesture(context: GestureContext, motif: DesignMotif, onOver: (over: boolean) => void): Gesture {
  const { editor, view, note, local } = context;
  view.prefetch(motif);
  // The motif with its middle where the plane begins: how far it is carried is where it comes to lie.
  const catching = catchingOf(context, [newPlacement('carried', motif, { x: 0, y: 0 })]);
  let laid: { readonly id: string; readonly command: Command; readonly at: Point } | undefined;
  const base = editor.session.state.committed;
  const isOver = ({ x, y }: Point): boolean => {
    const { width, height } = view.getViewport();
    return x >= 0 && y >= 0 && x < width && y < height;
  };
  return {
    move(event) {
      const at = local(event);
      if (!isOver(at)) {
        if (laid) editor.session.preview(undefined);
        if (laid) view.release();
        laid = undefined;
        note.set(undefined);
        context.snapLines.set([]);
        onOver(false);
        return;
      }
      const mm = caught(context, toMm(view.getViewport(), at), event.ctrlKey, catching);
      const first = !laid;
      editor.session.preview(undefined);
      const laying = editor.placeCommand(motif, mm, laid?.id);
      if (!laying) return;
      laid = { ...laying, at: mm };
      editor.session.preview(laid.command);
      if (first) view.hold([laid.id]);
      const placement = editor.placement(laid.id);
      if (placement) note.set({ at, text: dragPlace(placeInCell(editor.lattice, placement)) });
      onOver(true);
    },
    end() {
      view.release();
      if (!laid) return;
      if (editor.commit(TEXTS.placedName(motif.name), laid.command)) editor.selectPlaced(laid.id, laid.at);
    },
    cancel() {
      if (editor.session.state.committed === base) editor.session.preview(undefined);
      view.release();
    },
  };
}
