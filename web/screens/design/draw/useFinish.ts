import { useCallback, useMemo } from 'react';
import { useMotifMaking, useMotifMutation } from '../../../api/motifs.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { MotifMaker } from '../../../editor/finishDrawing.ts';
import { useNotifyProblem } from '../../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

/** Makes motifs on the server. */
export function useMotifMaker(): MotifMaker {
  const { mutateAsync: make } = useMotifMaking();
  const { mutateAsync: change } = useMotifMutation();
  return useMemo(
    () => ({
      make: (name, recipe) => make({ name, collection: TEXTS.collection, recipe }),
      remake: (id, recipe) => change({ id, recipe }),
    }),
    [make, change],
  );
}

/** Finishes what is drawn, or the points or the mask that are open; where that fails all stays as it is, and the reason is said. */
export function useFinish(): () => void {
  const { drawing, points, masking } = useEditor();
  const maker = useMotifMaker();
  const notifyProblem = useNotifyProblem();
  return useCallback(() => {
    const open = [points, masking].find(({ opened }) => opened.getState()) ?? drawing;
    open.finish(maker).catch(notifyProblem);
  }, [drawing, points, masking, maker, notifyProblem]);
}
