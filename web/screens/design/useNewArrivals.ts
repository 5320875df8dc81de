import { useEffect, useMemo, useRef, useState } from 'react';
import { useEditor } from '../../cloth/editorContext.ts';
import { useNotify } from '../../ui/Notices.tsx';
import { type Arrival, isComing, useImports } from '../drawer/imports.ts';
import { TEXTS } from './texts.ts';

/**
 * The files that came while this design was open, or are on their way. Their motifs become known to the editor; what came of them is
 * said once all have ended, unless the ticket lists them.
 */
export function useNewArrivals(): readonly Arrival[] {
  const editor = useEditor();
  const notify = useNotify();
  const { arrivals } = useImports();
  const [before] = useState(() => new Set(arrivals.filter((arrival) => !isComing(arrival)).map(({ id }) => id)));
  const fresh = useMemo(() => arrivals.filter(({ id }) => !before.has(id)), [arrivals, before]);
  useEffect(() => {
    for (const { motif } of fresh) if (motif) editor.learnPicked({ ...motif, deleted: false });
  }, [editor, fresh]);

  const coming = useRef(new Set<number>());
  useEffect(() => {
    for (const { id } of fresh.filter(isComing)) coming.current.add(id);
    if (coming.current.size === 0 || fresh.some(isComing)) return;
    const ended = fresh.filter(({ id }) => coming.current.has(id));
    coming.current.clear();
    if (editor.part.getState() === 'motifs') return;
    for (const { name, notes } of ended.filter(({ state }) => state === 'refused'))
      notify({ text: TEXTS.nameWasNotImported(name, notes.join(' ')), tone: 'problem' });
    // What comes onto the cloth is seen there.
    const here = ended.filter(({ motif, batch }) => motif && batch === undefined);
    const [only] = here;
    if (here.length > 1) notify({ text: TEXTS.countAreInTheTray(here.length) });
    else if (only?.motif) notify({ text: only.notes[0] ?? TEXTS.nameIsInTheTray(only.motif.name) });
  }, [editor, fresh, notify]);
  return fresh;
}
