import type { DesignMotif } from '../../../../contract/index.ts';
import { Dices, Pin, Sparkles, Square } from 'lucide-react';
import { useMemo, useState } from 'react';
import { createPortal } from 'react-dom';
import { LEAST_GAP, MOST_GAP, type Role, type TossEntry, type TossRecipe } from '../../../../core/recipe/index.ts';
import { pin, tossedIdsOf } from '../../../../core/toss/index.ts';
import { formatNumber } from '../../../../core/units/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TicketFoot } from '../TicketFoot.tsx';
import { MotifPick } from '../tickets/MotifPick.tsx';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { DirectionsField } from './DirectionsField.tsx';
import { EntryRow } from './EntryRow.tsx';
import { HolesPart } from './HolesPart.tsx';
import { SeedsSideBySide } from './SeedsSideBySide.tsx';
import { useSettle } from './useSettle.ts';

/** By so much motifs that may lie over each other do, where the gap says nothing, mm. */
const LEAST_OVERLAP = 1;
const ROLE_COUNTS: Readonly<Record<Role, number>> = { hero: 3, companion: 8, filler: 20 };

/** Scattering by recipe: what, how many, how large, how far apart. What lies there already stays, unless a toss laid it. */
export function TossPanel() {
  const editor = useEditor();
  const committed = useStore(editor.session, (state) => state.committed);
  const design = committed;
  const { ids } = useStore(editor.selection);
  const motifs = useStore(editor.motifs);
  const { tossing } = editor;
  useStore(tossing.edited);
  const running = useStore(tossing.running);
  const last = useStore(tossing.last);
  const problem = useStore(tossing.problem);
  const { recipe } = tossing;
  const isEdited = recipe !== committed.toss?.recipe;
  const [seeding, setSeeding] = useState<TossRecipe>();
  const [turning, setTurning] = useState(true);
  const settle = useSettle();
  const wanted = recipe.entries.reduce((sum, { count }) => sum + count, 0);
  const loose = useMemo(() => tossedIdsOf(design), [design]);
  const pinnable = ids.some((id) => loose.has(id));

  const tossed = new Set(recipe.entries.map(({ motif }) => motif));

  const change = (part: Partial<TossRecipe>): void => tossing.change(part);
  const setEntry = (at: number, part: Partial<TossEntry>): void =>
    change({ entries: recipe.entries.map((entry, n) => (n === at ? { ...entry, ...part } : entry)) });
  const add = (added: readonly DesignMotif[], role: Role = 'companion'): void => {
    change({
      entries: [
        ...recipe.entries,
        ...added
          .filter(({ id }) => !tossed.has(id))
          .map(({ id }) => ({ motif: id, role, count: ROLE_COUNTS[role], smallest: 0.8, largest: 1 })),
      ],
    });
  };
  const run = (next: TossRecipe, afresh = true): void => void tossing.run(next, afresh);

  return (
    <section aria-label="Toss" className="grid gap-3">
      {recipe.entries.length > 0 && (
        <p aria-hidden className="-mb-2 grid grid-cols-3 gap-1 pr-[5px] pl-[49px] text-xs text-graphite">
          <span>How many</span>
          <span>Smallest</span>
          <span>Largest</span>
        </p>
      )}
      <ul aria-label="Motifs to toss" className="grid gap-1.5">
        {recipe.entries.map((entry, n) => (
          <EntryRow
            key={entry.motif}
            entry={entry}
            motif={motifs.find(({ id }) => id === entry.motif)}
            others={wanted - entry.count}
            onChange={(part) => setEntry(n, part)}
            onDrop={() => change({ entries: recipe.entries.filter((tossEntry) => tossEntry !== entry) })}
          />
        ))}
      </ul>
      {recipe.entries.length === 0 && (
        <p className="text-sm">A toss scatters motifs closely and evenly, across the joins too. Choose which ones.</p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <MotifPick label="Add a motif" prompt="Add a motif …" without={tossed} onPick={(motif) => add([motif])} />
        <Button
          onClick={() =>
            add(
              motifs.filter(({ id }) =>
                design.placements.some(
                  (placement) => placement.motif === id && (ids.length === 0 || ids.includes(placement.id)),
                ),
              ),
            )
          }
        >
          {ids.length > 0 ? 'Add the selected' : 'Add all on the cloth'}
        </Button>
      </div>
      <div className="grid grid-cols-3 gap-2">
        <LengthField
          label="Gap"
          mm={recipe.gap}
          signed
          min={LEAST_GAP}
          max={MOST_GAP}
          onChange={(gap) => change({ gap })}
        />
        <AmountField
          label="Ground visible"
          sign="%"
          value={recipe.ground * 100}
          min={0}
          max={100}
          step={5}
          onChange={(percent) => change({ ground: percent / 100 })}
        />
        <AmountField
          label="Toss seed"
          value={recipe.seed}
          min={0}
          max={1e9}
          onChange={(seed) => change({ seed: Math.round(seed) })}
        />
      </div>
      <DirectionsField directions={recipe.directions} onChange={(directions) => change({ directions })} />
      <div className="grid gap-2">
        <Tick label="Flip at random" on={recipe.flipped} onChange={(flipped) => change({ flipped })} />
        <Tick
          label="Allow overlaps"
          on={recipe.gap < 0}
          onChange={(may) =>
            change({
              gap: may ? -Math.max(LEAST_OVERLAP, Math.min(-LEAST_GAP, Math.abs(recipe.gap))) : Math.abs(recipe.gap),
            })
          }
        />
      </div>
      {!running && last && last.unplaced.length > 0 && (
        <ul aria-label="Could not place" className="grid gap-1 text-xs">
          {last.unplaced.map(({ motif, count, needs, left }) => (
            <li key={motif}>
              {count} × {motifs.find(({ id }) => id === motif)?.name ?? 'Motif'} found no room:{' '}
              {left < needs
                ? `its body needs ${formatNumber(needs, 0)} mm with the gap, the largest hole has ${formatNumber(left, 0)} mm.`
                : 'there are holes for its body, but in none did all of it keep the gap.'}
            </li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-2 gap-2 border-t border-dashed border-thread pt-3">
        <Button
          disabled={ids.length === 0 && loose.size === 0}
          title="Evens out the spacing with small moves; press again to continue"
          onClick={() => settle(ids.length > 0 ? ids : [...loose], turning)}
        >
          <Sparkles size={15} aria-hidden /> Settle
        </Button>
        <Button
          disabled={!pinnable}
          title="Pinned motifs stay where they are when you toss again"
          onClick={() => {
            const command = pin(editor.design, ids);
            if (command) editor.commit(ids.length === 1 ? 'Pinned a motif' : `Pinned ${ids.length} motifs`, command);
          }}
        >
          <Pin size={15} aria-hidden /> Pin chosen
        </Button>
        <div className="col-span-2">
          <Tick label="Rotate while settling" on={turning} onChange={setTurning} />
        </div>
      </div>
      {seeding &&
        editor.layer &&
        createPortal(
          <SeedsSideBySide recipe={seeding} layer={editor.layer.id} onClose={() => setSeeding(undefined)} />,
          document.body,
        )}
      <Fold name="Holes">
        <HolesPart />
      </Fold>
      <TicketFoot label="Tossing">
        {problem && (
          <p role="alert" className="text-xs text-madder">
            {problem}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          {running ? (
            <Button look="accent" className="col-span-2" onClick={() => running.stop()}>
              <Square size={14} aria-hidden /> Stop, and keep these
            </Button>
          ) : (
            <>
              {isEdited && loose.size > 0 ? (
                <>
                  <Button
                    look="accent"
                    disabled={wanted === 0}
                    title="Motifs that already fit the recipe stay where they are"
                    onClick={() => run(recipe, false)}
                  >
                    <Dices size={15} aria-hidden /> Toss from here
                  </Button>
                  <Button disabled={wanted === 0} onClick={() => run(recipe)}>
                    Toss afresh
                  </Button>
                </>
              ) : (
                <Button look="accent" disabled={wanted === 0} className="col-span-2" onClick={() => run(recipe)}>
                  <Dices size={15} aria-hidden /> {committed.toss ? 'Toss again' : 'Toss'}
                </Button>
              )}
              <Button disabled={wanted === 0} onClick={() => run({ ...recipe, seed: recipe.seed + 1 })}>
                New seed
              </Button>
              <Button
                disabled={wanted === 0 || !editor.layer}
                title="Toss with four new seeds and compare them"
                onClick={() => setSeeding(recipe)}
              >
                Compare four
              </Button>
            </>
          )}
        </div>
        <p role="status" data-toss={running ? 'running' : 'still'} className="text-xs text-graphite empty:hidden">
          {last &&
            `${last.placed.length} of ${wanted} laid, ${formatNumber((1 - last.covered) * 100, 0)} % of the ground seen.`}
        </p>
      </TicketFoot>
    </section>
  );
}
