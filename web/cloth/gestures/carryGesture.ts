import type { DesignMotif } from '../../../contract/index.ts';
import type { Command } from '../../../core/document/index.ts';
import type { Point } from '../../../core/geometry/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import type { GestureContext } from './gestureContext.ts';
import { toMm } from '../viewport.ts';
import type { Gesture } from './gesture.ts';

/** Brings a motif from the tray; it lies on the cloth as soon as the pointer is over it. */
export function carryGesture(
  { bench, view, note, local }: GestureContext,
  motif: DesignMotif,
  onOver: (over: boolean) => void,
): Gesture {
  view.prefetch(motif);
  let laid: { readonly id: string; readonly command: Command; readonly at: Point } | undefined;
  const base = bench.session.state.committed;
  const isOver = ({ x, y }: Point): boolean => {
    const { width, height } = view.getViewport();
    return x >= 0 && y >= 0 && x < width && y < height;
  };
  return {
    move(event) {
      const at = local(event);
      if (!isOver(at)) {
        if (laid) bench.session.preview(undefined);
        if (laid) view.release();
        laid = undefined;
        note.set(undefined);
        onOver(false);
        return;
      }
      const mm = toMm(view.getViewport(), at);
      const first = !laid;
      bench.session.preview(undefined);
      const laying = bench.placeCommand(motif, mm, laid?.id);
      if (!laying) return;
      laid = { ...laying, at: mm };
      bench.session.preview(laid.command);
      if (first) view.hold([laid.id]);
      const placement = bench.placement(laid.id);
      if (placement) note.set({ at, text: `${formatNumber(placement.x, 1)}, ${formatNumber(placement.y, 1)} mm` });
      onOver(true);
    },
    end() {
      view.release();
      if (!laid) return;
      bench.commit(`Placed ${motif.name}`, laid.command);
      bench.selectPlaced(laid.id, laid.at);
    },
    cancel() {
      if (bench.session.state.committed === base) bench.session.preview(undefined);
      view.release();
    },
  };
}
