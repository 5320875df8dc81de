import type { DesignMotif } from '../../../contract/index.ts';
import { nanoid } from 'nanoid';
import { useContext, useMemo } from 'react';
import { loosenBundle } from '../../../core/bundle/index.ts';
import type { Placement } from '../../../core/document/index.ts';
import { useMotifCopies, useMotifMaking } from '../../api/motifs.ts';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { useEditor } from '../../cloth/editorContext.ts';
import type { BundleMaker } from '../../editor/bundling.ts';
import type { Editor } from '../../editor/editor.ts';
import type { BundleActions } from './bundleActions.ts';
import { OpeningContext } from './opening.ts';
import { TEXTS } from './texts.ts';
import { useMotifSteps } from './useMotifSteps.ts';

/** The bundle that a placement shows, or undefined for any other motif. */
export function bundleOf(
  editor: Editor,
  placement: Placement | undefined,
): (DesignMotif & { recipe: Extract<DesignMotif['recipe'], { kind: 'bundle' }> }) | undefined {
  const motif = placement && editor.motif(placement.motif);
  return motif?.recipe?.kind === 'bundle' ? { ...motif, recipe: motif.recipe } : undefined;
}

export function useBundles(): BundleActions {
  const editor = useEditor();
  const open = useContext(OpeningContext);
  const { mutateAsync: make } = useMotifMaking();
  const { mutateAsync: copy } = useMotifCopies();
  const { drawerEffect } = useMotifSteps(editor);
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  return useMemo(() => {
    const maker: BundleMaker = {
      make: (name, collection, recipe) => make({ name, collection, recipe }),
      copy,
      drawerEffect,
    };
    return {
      bundle: (combining) => void editor.bundling.bundle(maker, combining).catch(notifyProblem),
      loosen() {
        try {
          const bundles = editor.selectedPlacements.filter((placement) => bundleOf(editor, placement));
          const ids: string[] = [];
          for (const placement of bundles) {
            const bundle = bundleOf(editor, placement);
            if (!bundle) continue;
            editor.select([placement.id]);
            editor.replaceSelectedWith(
              TEXTS.loosenedName(bundle.name),
              loosenBundle(placement, bundle, bundle.recipe.parts, nanoid),
            );
            ids.push(...editor.selection.getState().ids);
          }
          if (ids.length > 0) editor.select(ids);
        } catch (error) {
          notifyProblem(error);
        }
      },
      open(id) {
        const placement =
          id === undefined
            ? editor.selectedPlacements[0]
            : editor.editablePlacements.find((placement) => placement.id === id);
        const bundle = bundleOf(editor, placement);
        if (!placement || !bundle) return;
        try {
          open?.(placement, bundle);
        } catch (error) {
          notifyProblem(error);
        }
      },
      separate() {
        editor.bundling
          .separate(maker)
          .then((copies) => {
            if (copies.length === 0) return;
            const [only] = copies;
            notify({
              text:
                copies.length === 1
                  ? TEXTS.nameIsAMotifOf(only?.name ?? '')
                  : TEXTS.countMotifsAreTheirOwn(copies.length),
            });
          })
          .catch(notifyProblem);
      },
    };
  }, [editor, open, make, copy, drawerEffect, notify, notifyProblem]);
}
