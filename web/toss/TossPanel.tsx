import { Dices, Pin, Sparkles, Square, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useEffect, useMemo, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { looseOf, layToss, pin, tossedPlacements } from '../../core/toss/layToss.ts';
import type { Tossed } from '../../core/toss/toss.ts';
import { countOfShare, LEAST_GAP, MOST_GAP, MOST_TOSSED, ROLES, type Directions, type Role, type TossEntry, type TossRecipe } from '../../core/toss/tossRecipe.ts';
import { LARGEST_SCALE, SMALLEST_SCALE } from '../../core/document/placement.ts';
import { parseAmount } from '../../core/units/amount.ts';
import { formatNumber } from '../../core/units/length.ts';
import { blobUrl } from '../api/client.ts';
import type { DrawerMotif } from '../api/motifs.ts';
import { useBench } from '../design/bench.ts';
import { AmountField } from '../shared/AmountField.tsx';
import { Button } from '../shared/Button.tsx';
import { Choice } from '../shared/Choice.tsx';
import { Fold } from '../shared/Fold.tsx';
import { QuantityField } from '../shared/QuantityField.tsx';
import { LengthField } from '../shared/LengthField.tsx';
import { useStore } from '../shared/store.ts';
import { Tick } from '../shared/Tick.tsx';
import { HolesPart } from './HolesPart.tsx';
import { SeedsSideBySide } from './SeedsSideBySide.tsx';
import { Tosser, type Running } from './tosser.ts';
import { useSettle } from './useSettle.ts';

const NEW: TossRecipe = { entries: [], directions: { kind: 'all' }, mirrored: true, gap: 4, ground: 0.4, seed: 1 };
const ROLE_NAMES: Readonly<Record<Role, string>> = { hero: 'Hero', companion: 'Companion', filler: 'Filler' };
const ROLE_COUNTS: Readonly<Record<Role, number>> = { hero: 3, companion: 8, filler: 20 };

/** Scattering by recipe: what, how many, how large, how far apart. What lies there already stays, unless a toss laid it. */
export function TossPanel() {
  const bench = useBench();
  const { design, committed } = useStore(bench.session);
  const { ids } = useStore(bench.selection);
  const motifs = useStore(bench.motifs);
  const [tosser] = useState(() => new Tosser());
  useEffect(() => () => tosser.close(), [tosser]);
  const [edited, setEdited] = useState<TossRecipe>();
  const recipe = edited ?? committed.toss?.recipe ?? NEW;
  const [running, setRunning] = useState<Running<Tossed>>();
  const [last, setLast] = useState<Tossed>();
  const [problem, setProblem] = useState<string>();
  const [seeding, setSeeding] = useState<TossRecipe>();
  const [turning, setTurning] = useState(true);
  const settle = useSettle();
  const wanted = recipe.entries.reduce((sum, { count }) => sum + count, 0);
  const loose = useMemo(() => looseOf(design), [design]);
  const pinnable = ids.some((id) => loose.has(id));
  const unmounted = useRef(false);
  useEffect(() => {
    unmounted.current = false;
    return () => void (unmounted.current = true);
  }, []);

  const change = (part: Partial<TossRecipe>): void => setEdited({ ...recipe, ...part });
  const setEntry = (at: number, part: Partial<TossEntry>): void => change({ entries: recipe.entries.map((entry, n) => (n === at ? { ...entry, ...part } : entry)) });
  const add = (added: readonly DrawerMotif[], role: Role = 'companion'): void => {
    const known = new Set(recipe.entries.map(({ motif }) => motif));
    change({ entries: [...recipe.entries, ...added.filter(({ id }) => !known.has(id)).map(({ id }) => ({ motif: id, role, count: ROLE_COUNTS[role], smallest: 0.8, largest: 1 }))] });
  };

  const run = (next: TossRecipe, isAfresh = true): void => {
    const { layer } = bench;
    if (running) return;
    if (!layer) {
      bench.refused.set('Every layer is hidden or locked, so nothing can be tossed. Open one in the stack first.');
      return;
    }
    setEdited(next);
    setProblem(undefined);
    bench.choose([]);
    const start = bench.session.state.committed;
    const gone = looseOf(start);
    const nonce = nanoid(6);
    const command = ({ placed }: Tossed) => layToss(start, bench.motifMap, next, tossedPlacements(placed, layer.id, (n) => `${nonce}-${n}`));
    const show = (tossed: Tossed): void => {
      setLast(tossed);
      if (bench.session.state.committed === start) bench.session.preview(command(tossed));
    };
    const begun = tosser.run({ ...start, placements: start.placements.filter(({ id }) => !gone.has(id)) }, bench.motifs.getState(), { kind: 'toss', recipe: next, from: isAfresh ? [] : start.placements.filter(({ id }) => gone.has(id)).map(({ motif, x, y, turn, scale, mirrored }) => ({ motif, x, y, turn, scale, mirrored })) }, show);
    setRunning(begun);
    begun.done
      .then((tossed) => {
        setLast(tossed);
        bench.session.preview(undefined);
        // What was done meanwhile is not undone by a toss that knows nothing of it.
        if (unmounted.current || bench.session.state.committed !== start) setProblem('Something was changed while it was tossed, so nothing of the toss was laid. Toss again.');
        else if (tossed.placed.length === 0) setProblem('Nothing found room at this gap. Nothing was changed; make the gap or the motifs smaller.');
        else {
          bench.commit(`Tossed ${tossed.placed.length} motifs`, command(tossed));
          setEdited(undefined);
        }
      })
      .catch((error: unknown) => {
        bench.session.preview(undefined);
        setProblem(error instanceof Error ? error.message : String(error));
      })
      .finally(() => setRunning(undefined));
  };

  return (
    <section aria-label="Toss" className="grid gap-3">
      <ul aria-label="Motifs to toss" className="grid gap-2">
        {recipe.entries.map((entry, n) => (
          <EntryRow key={entry.motif} entry={entry} motif={motifs.find(({ id }) => id === entry.motif)} others={wanted - entry.count} onChange={(part) => setEntry(n, part)} onDrop={() => change({ entries: recipe.entries.filter((one) => one !== entry) })} />
        ))}
      </ul>
      {recipe.entries.length === 0 && <p className="text-sm">A toss scatters motifs so that they lie closely and evenly, over the joins too. Choose which.</p>}
      <div className="grid grid-cols-2 gap-2">
        <select aria-label="Toss another motif" value="" onChange={(event) => add(motifs.filter(({ id }) => id === event.target.value))} className="h-8 min-w-0 rounded-md border border-thread bg-white px-2 text-sm">
          <option value="">Add a motif …</option>
          {motifs
            .filter(({ id, deleted }) => !deleted && !recipe.entries.some(({ motif }) => motif === id))
            .map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
        </select>
        <Button onClick={() => add(motifs.filter(({ id }) => design.placements.some((one) => one.motif === id && (ids.length === 0 || ids.includes(one.id)))))}>{ids.length > 0 ? 'Add those chosen' : 'Add all that lie here'}</Button>
      </div>
      <div className="grid grid-cols-3 gap-2">
        <LengthField label="Gap" mm={recipe.gap} signed min={LEAST_GAP} max={MOST_GAP} onChange={(gap) => change({ gap })} />
        <AmountField label="Ground seen" sign="%" value={recipe.ground * 100} min={0} max={100} step={5} onChange={(percent) => change({ ground: percent / 100 })} />
        <AmountField label="Toss seed" value={recipe.seed} min={0} max={1e9} onChange={(seed) => change({ seed: Math.round(seed) })} />
      </div>
      <DirectionsField directions={recipe.directions} onChange={(directions) => change({ directions })} />
      <Tick label="Mirrored ones too" on={recipe.mirrored} onChange={(mirrored) => change({ mirrored })} />
      <div className="grid grid-cols-2 gap-2">
        {running ? (
          <Button look="accent" className="col-span-2" onClick={() => running.stop()}>
            <Square size={14} aria-hidden /> Stop, and keep these
          </Button>
        ) : (
          <>
            {edited && loose.size > 0 ? (
              <>
                <Button look="accent" disabled={wanted === 0} title="What still does as the recipe says stays where it is" onClick={() => run(recipe, false)}>
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
              Another seed
            </Button>
            <Button disabled={wanted === 0 || !bench.layer} title="Four other seeds, side by side" onClick={() => setSeeding(recipe)}>
              Four seeds
            </Button>
          </>
        )}
      </div>
      <p role="status" data-toss={running ? 'running' : 'still'} className="text-xs text-graphite">
        {last && `${last.placed.length} of ${wanted} laid, ${formatNumber((1 - last.covered) * 100, 0)} % of the ground seen.`}
      </p>
      {!running && last && last.unplaced.length > 0 && (
        <ul aria-label="What found no room" className="grid gap-1 text-xs">
          {last.unplaced.map(({ motif, count, needs, left }) => (
            <li key={motif}>
              {count} × {motifs.find(({ id }) => id === motif)?.name ?? 'Motif'} found no room:{' '}
              {left < needs ? `its body needs ${formatNumber(needs, 0)} mm with the gap, the largest hole has ${formatNumber(left, 0)} mm.` : 'there are holes for its body, but in none did all of it keep the gap.'}
            </li>
          ))}
        </ul>
      )}
      {problem && (
        <p role="alert" className="text-xs text-madder">
          {problem}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2 border-t border-dashed border-thread pt-3">
        <Button disabled={ids.length === 0 && loose.size === 0} title="Evens out the spacing by small moves; press again to go on" onClick={() => settle(ids.length > 0 ? ids : [...loose], turning)}>
          <Sparkles size={15} aria-hidden /> Settle
        </Button>
        <Button
          disabled={!pinnable}
          title="What is pinned stays where it is when it is tossed again"
          onClick={() => {
            const command = pin(bench.design, ids);
            if (command) bench.commit(ids.length === 1 ? 'Pinned a motif' : `Pinned ${ids.length} motifs`, command);
          }}
        >
          <Pin size={15} aria-hidden /> Pin chosen
        </Button>
        <div className="col-span-2">
          <Tick label="Settling may turn them" on={turning} onChange={setTurning} />
        </div>
      </div>
      {seeding && bench.layer && createPortal(<SeedsSideBySide recipe={seeding} layer={bench.layer.id} onClose={() => setSeeding(undefined)} />, document.body)}
      <Fold name="Holes">
        <HolesPart tosser={tosser} recipe={recipe} busy={running !== undefined} />
      </Fold>
    </section>
  );
}

interface EntryProps {
  readonly entry: TossEntry;
  readonly motif: DrawerMotif | undefined;
  /** How many there are of all others. */
  readonly others: number;
  readonly onChange: (part: Partial<TossEntry>) => void;
  readonly onDrop: () => void;
}

/** Reads how many, or which share of all: `20 %`. */
function countRead(text: string, current: number, others: number): number {
  if (!text.trim().endsWith('%')) return Math.round(parseAmount(text, { sign: '×', current, min: 0, max: MOST_TOSSED }));
  return countOfShare(parseAmount(text, { sign: '%', min: 0, max: 95 }) / 100, others);
}

function EntryRow({ entry, motif, others, onChange, onDrop }: EntryProps) {
  const name = motif?.name ?? 'A motif that is gone';
  const size = { sign: '%', min: SMALLEST_SCALE * 100, max: LARGEST_SCALE * 100, step: 5, hideLabel: true } as const;
  return (
    <li className="grid grid-cols-[36px_minmax(0,1fr)_32px] items-center gap-x-2 gap-y-1 rounded-md border border-thread bg-white p-1.5">
      <span className="row-span-2 grid h-9 w-9 place-items-center">{motif && <img src={blobUrl(motif.thumbnail)} alt="" className="max-h-9 max-w-9 object-contain" />}</span>
      <span className="flex min-w-0 items-center gap-1.5">
        <span className="min-w-0 grow truncate text-sm font-medium">{name}</span>
        <select aria-label={`Role of ${name}`} value={entry.role} onChange={(event) => onChange({ role: event.target.value as Role })} className="h-7 rounded-md border border-thread bg-white px-1 text-xs">
          {ROLES.map((role) => (
            <option key={role} value={role}>
              {ROLE_NAMES[role]}
            </option>
          ))}
        </select>
      </span>
      <Button look="quiet" label={`Do not toss ${name}`} onClick={onDrop}>
        <Trash2 size={14} aria-hidden />
      </Button>
      <span className="col-span-2 grid grid-cols-3 gap-1">
        <QuantityField label={`How many of ${name}`} shown={`${entry.count} ×`} value={entry.count} read={(text) => countRead(text, entry.count, others)} hideLabel onChange={(count) => onChange({ count })} />
        <AmountField label={`Smallest size of ${name}`} {...size} value={entry.smallest * 100} onChange={(percent) => onChange({ smallest: percent / 100, largest: Math.max(entry.largest, percent / 100) })} />
        <AmountField label={`Largest size of ${name}`} {...size} value={entry.largest * 100} onChange={(percent) => onChange({ largest: percent / 100, smallest: Math.min(entry.smallest, percent / 100) })} />
      </span>
    </li>
  );
}

const DIRECTIONS = [
  { value: 'one', name: 'One' },
  { value: 'two', name: 'Two' },
  { value: 'four', name: 'Four' },
  { value: 'all', name: 'All' },
  { value: 'range', name: 'Range' },
] as const;

/** Which ways the motifs look. */
function DirectionsField({ directions, onChange }: { readonly directions: Directions; readonly onChange: (directions: Directions) => void }) {
  return (
    <div className="grid gap-2">
      <h4 className="text-xs text-graphite">Directions</h4>
      <Choice label="Directions" value={directions.kind} options={DIRECTIONS} onChange={(kind) => onChange(kind === 'range' ? { kind, from: -20, to: 20 } : { kind })} />
      {directions.kind === 'range' && (
        <div className="grid grid-cols-2 gap-2">
          <AmountField label="From" sign="°" value={directions.from} min={-360} max={360} step={5} onChange={(from) => onChange({ ...directions, from })} />
          <AmountField label="To" sign="°" value={directions.to} min={-360} max={360} step={5} onChange={(to) => onChange({ ...directions, to })} />
        </div>
      )}
    </div>
  );
}
