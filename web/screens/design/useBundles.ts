import type { DesignMotif } from '../../../contract/index.ts';
import { cutText } from '../../../core/schema/index.ts';
import { nanoid } from 'nanoid';
import { useContext, useMemo } from 'react';
import { gatherInstances, middleOf, showCopies } from '../../../core/arrange/index.ts';
import { loosenBundle, partsAbout } from '../../../core/bundle/index.ts';
import { newPlacement, type Placement } from '../../../core/document/index.ts';
import { UPRIGHT } from '../../../core/geometry/index.ts';
import { latticeOf } from '../../../core/lattice/index.ts';
import { useMotifCopies, useMotifMaking } from '../../api/motifs.ts';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { useEditor } from '../../cloth/editorContext.ts';
import type { Editor } from '../../editor/editor.ts';
import type { BundleActions } from './bundleActions.ts';
import { OpeningContext } from './opening.ts';
import { TEXTS } from './texts.ts';

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
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  return useMemo(() => {
    const refused = (error: unknown): void => notifyProblem(error);
    return {
      bundle() {
        const chosen = gatherInstances(latticeOf(editor.design.repeat), editor.selectedPlacements);
        const [first] = chosen;
        if (!first) return;
        const motifs = new Map(editor.motifs.getState().map((motif) => [motif.id, motif]));
        const middle = middleOf(chosen, motifs);
        const parts = partsAbout(chosen, { ...UPRIGHT, ...middle });
        const names = [...new Set(chosen.map(({ motif }) => motifs.get(motif)?.name ?? 'motif'))];
        const name =
          names.length <= 3 ? names.join(', ') : TEXTS.listAndCountMore(names.slice(0, 2).join(', '), names.length - 2);
        make({ name: cutText(name, 120), collection: TEXTS.bundles, recipe: { kind: 'bundle', parts } })
          .then((made) =>
            editor.replaceSelectedWith(TEXTS.bundledCountMotifs(chosen.length), [
              { ...newPlacement(nanoid(), made, middle), layer: first.layer },
            ]),
          )
          .catch(refused);
      },
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
          refused(error);
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
          refused(error);
        }
      },
      separate() {
        const chosen = editor.selectedPlacements;
        const motifs = [...new Set(chosen.map(({ motif }) => motif))]
          .map((id) => editor.motif(id))
          .filter((motif) => motif !== undefined);
        copy(motifs.map(({ id, name }) => ({ id, name: TEXTS.nameSeparate(cutText(name, 109)) })))
          .then((copies) => {
            const own = new Map(motifs.flatMap(({ id }, n) => (copies[n] ? [[id, copies[n].id] as const] : [])));
            // Those that were chosen when it was asked for, whatever is chosen now.
            const ids = chosen.map(({ id }) => id);
            editor.commit(
              copies.length === 1 ? TEXTS.made(copies[0]?.name) : TEXTS.madeCountMotifsSeparate(copies.length),
              showCopies(editor.design, ids, own),
            );
            notify({
              text:
                copies.length === 1
                  ? TEXTS.nameIsAMotifOf(copies[0]?.name ?? '')
                  : TEXTS.countMotifsAreTheirOwn(copies.length),
            });
          })
          .catch(refused);
      },
    };
  }, [editor, open, make, copy, notify, notifyProblem]);
}
