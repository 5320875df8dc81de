import type { DesignMotif } from '../../../../contract/index.ts';
import { CircleDashed, Dices, Pin, Sparkles, Square } from 'lucide-react';
import { useMemo, useState } from 'react';
import { createPortal } from 'react-dom';
import { LEAST_GAP, MOST_GAP, type Role, type TossEntry, type TossRecipe } from '../../../../core/recipe/index.ts';
import { pin, tossedIdsOf } from '../../../../core/toss/index.ts';
import { formatNumber } from '../../../../core/units/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TicketFoot } from '../TicketFoot.tsx';
import { MotifPick } from '../tickets/MotifPick.tsx';
import { StepKinds } from '../tickets/StepKinds.tsx';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { DirectionsField } from './DirectionsField.tsx';
import { EntryRow } from './EntryRow.tsx';
import { SeedsSideBySide } from './SeedsSideBySide.tsx';
import { useSettle } from './useSettle.ts';
import { TEXTS } from './texts.ts';

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
    <section aria-label={TEXTS.toss} className="grid gap-3">
      <StepKinds />
      {recipe.entries.length > 0 && (
        <p aria-hidden className="-mb-2 grid grid-cols-3 gap-1 pr-[5px] pl-[49px] text-xs text-graphite">
          <span>{TEXTS.howMany}</span>
          <span>{TEXTS.smallest}</span>
          <span>{TEXTS.largest}</span>
        </p>
      )}
      <ul aria-label={TEXTS.motifsToToss} className="grid gap-1.5">
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
      {recipe.entries.length === 0 && <p className="text-sm">{TEXTS.aTossScattersMotifsClosely}</p>}
      <div className="grid grid-cols-2 gap-2">
        <MotifPick
          label={TEXTS.addAMotif}
          prompt={TEXTS.addAMotifText}
          without={tossed}
          onPick={(motif) => add([motif])}
        />
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
          {ids.length > 0 ? TEXTS.addTheSelected : TEXTS.addAllOnTheCloth}
        </Button>
      </div>
      <div className="grid grid-cols-3 items-end gap-2">
        <LengthField
          label={TEXTS.gap}
          mm={recipe.gap}
          signed
          min={LEAST_GAP}
          max={MOST_GAP}
          onChange={(gap) => change({ gap })}
        />
        <AmountField
          label={TEXTS.groundVisible}
          sign="%"
          value={recipe.ground * 100}
          min={0}
          max={100}
          step={5}
          onChange={(percent) => change({ ground: percent / 100 })}
        />
        <AmountField
          label={TEXTS.tossSeed}
          value={recipe.seed}
          min={0}
          max={1e9}
          onChange={(seed) => change({ seed: Math.round(seed) })}
        />
      </div>
      <DirectionsField directions={recipe.directions} onChange={(directions) => change({ directions })} />
      <div className="grid gap-2">
        <Tick label={TEXTS.flipAtRandom} on={recipe.flipped} onChange={(flipped) => change({ flipped })} />
        <Tick
          label={TEXTS.allowOverlaps}
          on={recipe.gap < 0}
          onChange={(may) =>
            change({
              gap: may ? -Math.max(LEAST_OVERLAP, Math.min(-LEAST_GAP, Math.abs(recipe.gap))) : Math.abs(recipe.gap),
            })
          }
        />
      </div>
      {!running && last && last.unplaced.length > 0 && (
        <ul aria-label={TEXTS.couldNotPlace} className="grid gap-1 text-xs">
          {last.unplaced.map(({ motif, count, needs, left }) => (
            <li key={motif}>
              {TEXTS.countFoundNoRoomMm(
                count,
                motifs.find(({ id }) => id === motif)?.name,
                left,
                needs,
                formatNumber(needs, 0),
                formatNumber(left, 0),
              )}
            </li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-2 gap-2 border-t border-dashed border-thread pt-3">
        <Button
          disabled={ids.length === 0 && loose.size === 0}
          title={TEXTS.evensOutTheSpacingWith}
          onClick={() => settle(ids.length > 0 ? ids : [...loose], turning)}
        >
          <Sparkles size={15} aria-hidden /> {TEXTS.settle}
        </Button>
        <Button
          disabled={!pinnable}
          title={TEXTS.pinnedMotifsStayWhereThey}
          onClick={() => {
            const command = pin(editor.design, ids);
            if (command)
              editor.commit(ids.length === 1 ? TEXTS.pinnedAMotif : TEXTS.pinnedCountMotifs(ids.length), command);
          }}
        >
          <Pin size={15} aria-hidden /> {TEXTS.pinChosen}
        </Button>
        <div className="col-span-2">
          <Tick label={TEXTS.rotateWhileSettling} on={turning} onChange={setTurning} />
        </div>
      </div>
      {seeding &&
        editor.layer &&
        createPortal(
          <SeedsSideBySide recipe={seeding} layer={editor.layer.id} onClose={() => setSeeding(undefined)} />,
          document.body,
        )}
      <Button title={TEXTS.whereHolesAre} onClick={() => editor.part.set('check')}>
        <CircleDashed size={15} aria-hidden /> {TEXTS.seeAndFillHoles}
      </Button>
      <TicketFoot label={TEXTS.tossing}>
        {problem && (
          <p role="alert" className="text-xs text-madder">
            {problem}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          {running ? (
            <Button look="accent" className="col-span-2" onClick={() => running.stop()}>
              <Square size={14} aria-hidden /> {TEXTS.stopAndKeepThese}
            </Button>
          ) : (
            <>
              {isEdited && loose.size > 0 ? (
                <>
                  <Button
                    look="accent"
                    disabled={wanted === 0}
                    title={TEXTS.motifsThatAlreadyFitThe}
                    onClick={() => run(recipe, false)}
                  >
                    <Dices size={15} aria-hidden /> {TEXTS.tossFromHere}
                  </Button>
                  <Button disabled={wanted === 0} onClick={() => run(recipe)}>
                    {TEXTS.tossAfresh}
                  </Button>
                </>
              ) : (
                <Button look="accent" disabled={wanted === 0} className="col-span-2" onClick={() => run(recipe)}>
                  <Dices size={15} aria-hidden /> {committed.toss ? TEXTS.tossAgain : TEXTS.tossThem}
                </Button>
              )}
              <Button disabled={wanted === 0} onClick={() => run({ ...recipe, seed: recipe.seed + 1 })}>
                {TEXTS.newSeed}
              </Button>
              <Button
                disabled={wanted === 0 || !editor.layer}
                title={TEXTS.tossWithFourNewSeeds}
                onClick={() => setSeeding(recipe)}
              >
                {TEXTS.compareFour}
              </Button>
            </>
          )}
        </div>
        <p role="status" data-toss={running ? 'running' : 'still'} className="text-xs text-graphite empty:hidden">
          {last &&
            TEXTS.countOfWantedLaidCovered(last.placed.length, wanted, formatNumber((1 - last.covered) * 100, 0))}
        </p>
      </TicketFoot>
    </section>
  );
}
