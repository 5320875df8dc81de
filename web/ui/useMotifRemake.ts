import { useCallback } from 'react';
import type { DesignMotif } from '../../contract/index.ts';
import { type Recipe, unmovedPoints } from '../../core/recipe/index.ts';
import { useMotifMutation } from '../api/motifs.ts';
import { useNotify, useNotifyProblem } from './Notices.tsx';
import { TEXTS } from './texts.ts';

export interface MotifRemake {
  readonly isBusy: boolean;
  /** @throws Error, and nothing is changed */
  remake(
    motif: Pick<DesignMotif, 'id' | 'name' | 'recipe'> & Partial<Pick<DesignMotif, 'artwork'>>,
    recipe: Recipe,
  ): Promise<void>;
}

/** Makes motifs anew, each by another recipe; what is said of it offers to undo that. */
export function useMotifRemake(): MotifRemake {
  const { mutateAsync, isPending } = useMotifMutation();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const remake = useCallback<MotifRemake['remake']>(
    async ({ id, name, recipe: last, artwork: from }, recipe) => {
      await mutateAsync({ id, recipe, from });
      // What came from a file has no recipe; its artwork as it was is told by what was made of it.
      const before = last ?? ('original' in recipe ? unmovedPoints(recipe.original) : undefined);
      const undo = (to: Recipe): void => void mutateAsync({ id, recipe: to }).catch(notifyProblem);
      notify({
        text: TEXTS.nameIsChangedWhereverIt(name),
        about: `motif ${id}`,
        ...(before && { action: { label: TEXTS.undo, run: () => undo(before) } }),
      });
    },
    [mutateAsync, notify, notifyProblem],
  );
  return { isBusy: isPending, remake };
}
