import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import { apply, type Design } from '../../../../core/document/index.ts';
import type { TossRecipe } from '../../../../core/recipe/index.ts';
import { applyToss, tossedIdsOf, tossedPlacements, type TossResult } from '../../../../core/toss/index.ts';
import { Panes } from '../alternatives/Panes.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TossClient } from '../../../editor/tossClient.ts';
import { TEXTS } from './texts.ts';
import { messageOf } from '../../../../core/problem/index.ts';

const SEEDS = 4;
/** Reckoned at the same time: a toss keeps one processor busy. */
const AT_ONCE = 2;

/** How far the toss of one seed is. */
interface Seeded {
  readonly seed: number;
  readonly design: Design | undefined;
  readonly note: string;
  readonly tossed: TossResult | undefined;
}

/** The recipe by the next four seeds as live cloth; any can be taken. */
export function SeedsSideBySide({
  recipe,
  layer,
  onClose,
}: {
  readonly recipe: TossRecipe;
  readonly layer: string;
  readonly onClose: () => void;
}) {
  const editor = useEditor();
  const [start] = useState(() => editor.session.state.committed);
  const [list, setList] = useState<readonly Seeded[]>(() =>
    Array.from({ length: SEEDS }, (_, n) => ({
      seed: recipe.seed + 1 + n,
      design: undefined,
      note: TEXTS.waiting,
      tossed: undefined,
    })),
  );
  const commandOf = (seed: number, { placed }: TossResult, nonce: string) =>
    applyToss(
      start,
      editor.motifMap,
      { ...recipe, seed },
      tossedPlacements(placed, layer, (n) => `${nonce}-${n}`),
    );

  useEffect(() => {
    const tossers = Array.from({ length: AT_ONCE }, () => new TossClient());
    const gone = tossedIdsOf(start);
    const standing = { ...start, placements: start.placements.filter(({ id }) => !gone.has(id)) };
    const tell = (seed: number, part: Partial<Seeded>): void =>
      setList((before) => before.map((seeded) => (seeded.seed === seed ? { ...seeded, ...part } : seeded)));
    const run = async (tosser: TossClient, seeds: readonly number[]): Promise<void> => {
      for (const seed of seeds) {
        const next = { ...recipe, seed };
        try {
          const tossed = await tosser.run(
            standing,
            editor.motifs.getState(),
            { kind: 'toss', recipe: next, from: [] },
            ({ placed }) => tell(seed, { note: TEXTS.tossingCountLaid(placed.length) }),
          ).done;
          const command = applyToss(
            start,
            editor.motifMap,
            next,
            tossedPlacements(tossed.placed, layer, (n) => `s${seed}-${n}`),
          );
          tell(
            seed,
            tossed.placed.length === 0 ? { note: TEXTS.noMotifFitsAtThis } : { tossed, design: apply(start, command) },
          );
        } catch (error) {
          tell(seed, { note: messageOf(error) });
        }
      }
    };
    const seeds = Array.from({ length: SEEDS }, (_, n) => recipe.seed + 1 + n);
    tossers.forEach(
      (tosser, k) =>
        void run(
          tosser,
          seeds.filter((_, n) => n % AT_ONCE === k),
        ),
    );
    return () => tossers.forEach((tosser) => tosser.close());
  }, [editor, start, recipe, layer]);

  const take = (seed: number, tossed: TossResult): void => {
    if (editor.session.state.committed === start)
      editor.commit(TEXTS.tossedCountMotifs(tossed.placed.length), commandOf(seed, tossed, nanoid(6)));
    else editor.refusal.set(TEXTS.theDesignChangedMeanwhileSo);
    onClose();
  };
  return (
    <Panes
      label={TEXTS.compareFour}
      note={TEXTS.theSameRecipeByFour}
      panes={list.map(({ seed, design, note, tossed }) => ({
        key: String(seed),
        name: TEXTS.seedSeed(seed),
        design,
        note,
        take: tossed && (() => take(seed, tossed)),
      }))}
      onClose={onClose}
    />
  );
}
