import { useCallback } from 'react';
import { useMotifMaking, useMotifMutation } from '../../../api/motifs.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useNotifyProblem } from '../../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

/** Makes what is drawn a motif; where that fails it stays as it is, and the reason is said. */
export function useFinish(): () => void {
  const { drawing } = useEditor();
  const { mutateAsync: make } = useMotifMaking();
  const { mutateAsync: change } = useMotifMutation();
  const notifyProblem = useNotifyProblem();
  return useCallback(() => {
    drawing
      .finish({
        make: (name, recipe) => make({ name, collection: TEXTS.collection, recipe }),
        remake: (id, recipe) => change({ id, recipe }),
      })
      .catch(notifyProblem);
  }, [drawing, make, change, notifyProblem]);
}
