import { useEffect, useRef, useState } from 'react';
import type { Design } from '../../../../core/document/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { MeasuredInks } from '../../../editor/tossMessages.ts';
import { useStore } from '../../../ui/store.ts';
import { messageOf } from '../../../../core/problem/index.ts';
import { TEXTS } from './texts.ts';

/** What was measured, and the inks that it was measured of. */
export interface InkAreasOf extends MeasuredInks {
  readonly inks: Design['inks'];
}

/** Parts of a design that decide which ink lies where; colours do not. */
const sameShape = (a: Design, b: Design): boolean =>
  a.inks === b.inks &&
  a.placements === b.placements &&
  a.repeat === b.repeat &&
  a.layers === b.layers &&
  a.ground === b.ground;

/** Has the inks measured off the page whenever something but a colour has changed; one measurement at a time. */
export function useInkAreas(): InkAreasOf | undefined {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const motifs = useStore(editor.motifs);
  const [areas, setAreas] = useState<InkAreasOf>();
  const measured = useRef<Design>(undefined);
  const wanted = useRef(design);
  const isBusy = useRef(false);
  const isGone = useRef(false);
  useEffect(() => {
    isGone.current = false;
    return () => void (isGone.current = true);
  }, []);
  useEffect(() => {
    wanted.current = design;
    const look = (): void => {
      const next = wanted.current;
      if (isBusy.current || isGone.current || (measured.current && sameShape(measured.current, next))) return;
      isBusy.current = true;
      measured.current = next;
      editor.tossing.tosser
        .run(next, motifs, { kind: 'inks' })
        .done.then(
          (areas) => {
            if (!isGone.current) setAreas({ ...areas, inks: next.inks });
          },
          (error: unknown) => editor.refusal.set(TEXTS.notMeasured(messageOf(error))),
        )
        .finally(() => {
          isBusy.current = false;
          look();
        });
    };
    look();
  }, [editor, design, motifs]);
  return areas;
}
