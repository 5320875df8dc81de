import { useMemo } from 'react';
import type { DesignMotif } from '../../../contract/index.ts';
import { type Recipe, unmovedPoints } from '../../../core/recipe/index.ts';
import { type MotifMutation, readUses, useMotifMutation, useRemaking } from '../../api/motifs.ts';
import type { Editor } from '../../editor/editor.ts';
import type { SideEffect } from '../../editor/session.ts';
import { useNotify } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

type Remade = Pick<DesignMotif, 'id' | 'name' | 'recipe'> & Partial<Pick<DesignMotif, 'artwork'>>;
type Resized = Extract<MotifMutation, { change: unknown }>['change'];

/** What is done to motifs from within a design, as steps of its history. */
export interface MotifSteps {
  readonly isBusy: boolean;
  /** Makes a motif anew. @throws Error, and nothing is changed */
  remake(motif: Remade, recipe: Recipe): Promise<void>;
  /** Gives a motif another name or width. @throws Error, and nothing is changed */
  change(motif: DesignMotif, change: Resized): Promise<void>;
  /** Takes a motif that was made out of the drawer when that is undone, unless another design has it by then. */
  drawerEffect(id: string): SideEffect;
}

/** @param editor in whose history the steps stand */
export function useMotifSteps(editor: Editor): MotifSteps {
  const { mutateAsync: remaking, isPending } = useRemaking();
  const { mutateAsync: mutate } = useMotifMutation();
  const notify = useNotify();
  const isBusy = isPending;
  return useMemo(() => {
    const usesElsewhere = async (id: string): Promise<number> =>
      (await readUses(id)).filter((design) => design.id !== editor.design.id).length;
    /** @param isQuiet whether nothing is said of what is used here alone */
    const tell = async (id: string, name: string, isQuiet = false): Promise<void> => {
      // It is done by now: where nobody can say who else uses it, that alone is left out.
      const elsewhere = await usesElsewhere(id).catch(() => 0);
      if (isQuiet && elsewhere === 0) return;
      notify({
        text: elsewhere === 0 ? TEXTS.nameIsChanged(name) : TEXTS.nameIsChangedElsewhereToo(name, elsewhere),
        about: `motif ${id}`,
      });
    };
    return {
      isBusy,
      async remake({ id, name, recipe: last, artwork }, recipe) {
        // What came from a file has no recipe; its artwork as it was is told by what was made of it.
        const before = last ?? ('original' in recipe ? unmovedPoints(recipe.original) : undefined);
        let from = artwork;
        let isExact = false;
        const to = async (target: Recipe): Promise<void> => {
          from = (await remaking({ id, recipe: target, from, isExact })).artwork;
          // Undoing takes nothing back that was done to it since.
          isExact = true;
        };
        if (before)
          await editor.commitSideEffect(TEXTS.changedName(name), { redo: () => to(recipe), undo: () => to(before) });
        else await to(recipe);
        await tell(id, name);
      },
      async change(motif, change) {
        const { id, name } = motif;
        const before = Object.fromEntries(
          Object.keys(change).map((key) => [key, motif[key as keyof Resized]]),
        ) as Resized;
        await editor.commitSideEffect(TEXTS.changedName(name), {
          redo: () => mutate({ id, change }),
          undo: () => mutate({ id, change: before }),
        });
        await tell(id, change.name ?? name, true);
      },
      drawerEffect: (id) => ({
        undo: async () => {
          if ((await usesElsewhere(id)) === 0) await mutate({ id, deleted: true });
        },
        redo: () => mutate({ id, deleted: false }),
      }),
    };
  }, [editor, remaking, mutate, notify, isBusy]);
}
