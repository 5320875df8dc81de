import { useEffect, useMemo, useRef } from 'react';
import { growBox } from '../../../../core/geometry/index.ts';
import { messageOf } from '../../../../core/problem/index.ts';
import type { Hole } from '../../../../core/toss/index.ts';
import type { ClothParts } from '../../../cloth/clothParts.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** Holes that are gone through, at the most; and the smallest of them, mm across. */
const [MOST, SMALLEST] = [24, 4];
/** How much of the cloth is seen about a hole, as a share of its radius. */
const ABOUT = 3;

/** Goes to the largest hole of the cloth, and to the next largest each time after; from the largest again once the design has changed. */
export function useNextHole(cloth: ClothParts | undefined): () => void {
  const editor = useEditor();
  const found = useRef<{ readonly holes: readonly Hole[]; next: number } | undefined>(undefined);
  useEffect(() => {
    const { session } = editor;
    let design = session.state.committed;
    return session.subscribe(() => {
      if (session.state.committed === design) return;
      design = session.state.committed;
      found.current = undefined;
    });
  }, [editor]);
  return useMemo(() => {
    const show = (): void => {
      const { current } = found;
      const hole = current?.holes[current.next % current.holes.length];
      if (!current || !hole || !cloth) {
        editor.refusal.set(TEXTS.noHoles);
        return;
      }
      current.next += 1;
      const { x, y, r } = hole;
      cloth.view.show(growBox({ left: x, top: y, right: x, bottom: y }, ABOUT * r));
      editor.announcement.set(TEXTS.holeOf(current.next, current.holes.length));
    };
    return () => {
      if (found.current) {
        show();
        return;
      }
      editor.tossing.tosser
        .run(editor.session.state.committed, editor.motifs.getState(), {
          kind: 'holes',
          least: SMALLEST / 2,
          most: MOST,
        })
        .done.then((holes) => {
          found.current = { holes, next: 0 };
          show();
        })
        .catch((error: unknown) => editor.refusal.set(messageOf(error)));
    };
  }, [editor, cloth]);
}
