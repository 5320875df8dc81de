import { useCallback, useMemo } from 'react';
import { useMotifMaking } from '../../../api/motifs.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { MotifMaker } from '../../../editor/finishDrawing.ts';
import { useNotifyProblem } from '../../../ui/Notices.tsx';
import { useMotifSteps } from '../useMotifSteps.ts';
import { TEXTS } from './texts.ts';

/** Makes motifs on the server. */
export function useMotifMaker(): MotifMaker {
  const editor = useEditor();
  const { mutateAsync: make } = useMotifMaking();
  const { remake, drawerEffect } = useMotifSteps(editor);
  return useMemo(
    () => ({
      make: (name, recipe) => make({ name, collection: TEXTS.collection, recipe }),
      remake: (id, recipe) => remake(editor.motif(id) ?? { id, name: TEXTS.theMotif, recipe: null }, recipe),
      drawerEffect,
    }),
    [make, remake, drawerEffect, editor],
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
