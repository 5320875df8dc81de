import type { Point } from '../../core/geometry/index.ts';
import { messageOf } from '../../core/problem/index.ts';
import type { Drawing } from './drawing.ts';
import type { DrawingHost } from './drawingHost.ts';
import { TEXTS } from './texts.ts';

/** Fills areas of the cloth of one editor that lines close off; they are looked for off the page. */
export class AreaFill {
  constructor(
    readonly editor: DrawingHost,
    readonly drawing: Drawing,
  ) {}

  /** @param at mm of the plane */
  run(at: Point): void {
    const { editor, drawing } = this;
    const { strokes, vine, frame } = drawing.drawn.getState();
    const inHand = { strokes, vine, frame, hidden: drawing.hidden };
    editor.tossing.tosser
      .run(editor.design, editor.motifs.getState(), { kind: 'area', at, drawing: inHand })
      .done.then((region) => {
        if (region === 'open') editor.refusal.set(TEXTS.thisAreaIsOpen);
        else if (region === 'covered') editor.refusal.set(TEXTS.thisPlaceIsCovered);
        else drawing.fill(region);
      })
      .catch((error: unknown) => editor.refusal.set(messageOf(error)));
  }
}
