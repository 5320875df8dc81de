import { resizeCell, scaleCell } from '../../../core/arrange/index.ts';
import type { Command } from '../../../core/document/index.ts';
import type { LatticeIndex } from '../../../core/lattice/index.ts';
import type { GestureContext } from './gestureContext.ts';
import { toMm } from '../viewport.ts';
import { dragLength } from './dragText.ts';
import { roundTo, type Gesture } from './gesture.ts';
import { TEXTS } from '../texts.ts';

/** Drags an edge of the cell `steps`: its right edge changes the width, its lower edge the height. */
export function edgeGesture(
  { editor, view, note, local }: GestureContext,
  event: PointerEvent,
  edge: 'right' | 'bottom',
  steps: LatticeIndex,
): Gesture {
  // Seen from its own origin, the cell's edge is where the pointer is.
  view.bringHome(steps);
  const { design } = editor;
  const { repeat } = design;
  const along = editor.contentsFollow.getState();
  const home = view.getViewport();
  const from = toMm(home, local(event));
  let command: Command | undefined;
  return {
    move(moved) {
      const to = toMm(home, local(moved));
      const next =
        edge === 'right'
          ? resizeCell(repeat, 'width', roundTo(repeat.width + to.x - from.x))
          : resizeCell(repeat, 'height', roundTo(repeat.height + to.y - from.y));
      command = (along ? scaleCell(design, next) : { type: 'repeat', repeat: next }) ?? command;
      editor.session.preview(command);
      note.set({
        at: local(moved),
        text: edge === 'right' ? TEXTS.wide(dragLength(next.width)) : TEXTS.high(dragLength(next.height)),
      });
    },
    end() {
      if (command) editor.commit(along ? TEXTS.scaledTheCell : TEXTS.resizedTheCell, command);
    },
    cancel: () => editor.session.preview(undefined),
  };
}
