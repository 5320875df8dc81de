import type { DesignMotif } from '../../../contract/index.ts';
import { apply, newDesign } from '../../../core/document/index.ts';
import { step } from '../../../core/lattice/index.ts';
import { LEAF_RECORD, leafAt } from '../../../core/testing/arbitraries.ts';
import { Editor } from '../editor.ts';

export const LEAF: DesignMotif = { ...LEAF_RECORD, thumbnail: 'leaf.png', tags: [], deleted: false };

/** An editor with three leaves, a, b and c, 20 mm apart in a half-drop of 100 × 80 mm. */
export function leavesEditor(): Editor {
  const blank = newDesign('d', 'Leaves', { width: 100, height: 80, step: step('half-drop', 1, 2) });
  const editor = new Editor(
    apply(blank, {
      type: 'insert',
      placements: ['a', 'b', 'c'].map((id, index) => ({
        index,
        placement: leafAt(id, { x: 20 * index, y: 10, rotation: 30 }),
      })),
    }),
  );
  editor.learn('design', [LEAF]);
  return editor;
}
