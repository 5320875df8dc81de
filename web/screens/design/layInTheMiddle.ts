import type { DesignMotif } from '../../../contract/index.ts';
import { nearestCellMiddle } from '../../../core/lattice/index.ts';
import type { ClothParts } from '../../cloth/clothParts.ts';
import { CATCH_PX } from '../../cloth/gestures/catching.ts';
import { middle, toCss, toMm } from '../../cloth/viewport.ts';
import type { Editor } from '../../editor/editor.ts';

/** Lays a motif in the middle of what is seen of the cloth. */
export function layInTheMiddle(editor: Editor, cloth: ClothParts, motif: DesignMotif): void {
  const viewport = cloth.view.getViewport();
  const centre = middle(viewport);
  const at = toMm(viewport, centre);
  // Where the middle of a cell is, to the eye, it is that exactly.
  const cell = nearestCellMiddle(editor.design.repeat, at);
  const seen = toCss(viewport, cell);
  editor.place(motif, Math.hypot(seen.x - centre.x, seen.y - centre.y) < CATCH_PX ? cell : at);
}
