import { nanoid } from 'nanoid';
import type { Guide } from '../../../core/document/index.ts';
import { indexOfCellAt, latticeTranslate } from '../../../core/lattice/index.ts';
import type { GestureContext } from './gestureContext.ts';
import { toMm } from '../viewport.ts';
import { dragLength } from './dragText.ts';
import { roundTo, type Gesture } from './gesture.ts';
import { TEXTS } from '../texts.ts';

/** Draws a new guide out of the selvedge, upright or with Shift level, or moves one; let go outside the cloth, it is gone. */
export function guideGesture({ editor, view, note, local }: GestureContext, taken?: Guide): Gesture {
  const { guides } = editor.session.state.committed;
  const id = taken?.id ?? nanoid(8);
  const rest = guides.filter((guide) => guide.id !== id);
  let next: readonly Guide[] | undefined;
  return {
    move(event) {
      const at = local(event);
      const { width, height } = view.getViewport();
      if (at.x < 0 || at.y < 0 || at.x > width || at.y > height) {
        next = rest;
        note.set(taken && { at: { x: Math.max(8, at.x), y: at.y }, text: TEXTS.dropToDeleteTheGuide });
      } else {
        const axis = taken?.axis ?? (event.shiftKey ? 'y' : 'x');
        const mm = toMm(view.getViewport(), at);
        const origin = latticeTranslate(editor.lattice, indexOfCellAt(editor.lattice, mm));
        const place = roundTo(mm[axis] - origin[axis]);
        next = [...rest, { id, axis, at: place }];
        note.set({ at, text: TEXTS.placeFromTheCells(dragLength(place), axis) });
      }
      editor.session.preview({ type: 'guides', guides: next });
    },
    end() {
      if (!next || (next.length === guides.length && !taken)) {
        editor.session.preview(undefined);
        return;
      }
      editor.guidesShown.set(true);
      editor.commit(
        taken ? (next.length < guides.length ? TEXTS.deletedAGuide : TEXTS.movedAGuide) : TEXTS.addedAGuide,
        {
          type: 'guides',
          guides: next,
        },
      );
    },
    cancel: () => editor.session.preview(undefined),
  };
}
