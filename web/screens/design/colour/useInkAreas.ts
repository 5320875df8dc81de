import { useEffect } from 'react';
import type { Design } from '../../../../core/document/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { MeasuredInks } from '../../../editor/tossMessages.ts';
import { useStore } from '../../../ui/store.ts';
import { useNewest } from '../../../ui/useNewest.ts';
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

/** Has the inks measured off the page whenever something but a colour has changed. */
export function useInkAreas(): InkAreasOf | undefined {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const motifs = useStore(editor.motifs);
  const { done, failure } = useNewest(design, sameShape, async (wish): Promise<InkAreasOf> => ({
    ...(await editor.tossing.tosser.run(wish, motifs, { kind: 'inks' }).done),
    inks: wish.inks,
  }));
  useEffect(() => {
    if (failure !== undefined) editor.refusal.set(TEXTS.notMeasured(failure));
  }, [editor, failure]);
  return done?.result;
}
