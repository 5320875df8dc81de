import { useEffect, useRef } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { readMotif } from '../../api/motifs.ts';
import type { ClothParts } from '../../cloth/clothParts.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { useReturned } from '../../ui/origin.ts';
import { layInTheMiddle } from './layInTheMiddle.ts';

/** Lays what was made on another page for this design, or selects what was changed there; once, however often this is opened again. */
export function useComeBack(cloth: ClothParts | undefined): void {
  const editor = useEditor();
  const returned = useReturned();
  const { pathname, key } = useLocation();
  const navigate = useNavigate();
  const notifyProblem = useNotifyProblem();
  const taken = useRef('');
  useEffect(() => {
    if (!cloth || !returned || editor.inside || taken.current === key) return;
    taken.current = key;
    void navigate(pathname, { replace: true, state: null });
    if ('placement' in returned) {
      if (editor.placement(returned.placement)) editor.select([returned.placement]);
      return;
    }
    readMotif(returned.motif).then((motif) => {
      // Left meanwhile, it gets nothing more; the motif is in the drawer.
      if (!editor.open.getState()) return;
      editor.learnPicked(motif);
      layInTheMiddle(editor, cloth, motif);
    }, notifyProblem);
  }, [cloth, returned, editor, pathname, key, navigate, notifyProblem]);
}
