import { Dices } from 'lucide-react';
import { useMemo, useState, type ReactNode } from 'react';
import { useParams } from 'react-router';
import type { DesignMotif } from '../../../contract/index.ts';
import { arrayParts } from '../../../core/bundle/index.ts';
import { cornersAround } from '../../../core/document/index.ts';
import { type ArrayRecipe, arrayRecipeSchema, motifsIn } from '../../../core/recipe/index.ts';
import { formatLength } from '../../../core/units/index.ts';
import { useMotif, useMotifsById } from '../../api/motifs.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { BackLink } from '../../ui/BackLink.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Fetched } from '../../ui/Fetched.tsx';
import { HistoryButtons } from '../../ui/HistoryButtons.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { useMotifFinish } from '../../ui/useMotifFinish.ts';
import { useUnit } from '../../ui/unit.ts';
import { useKeptHistory } from '../../ui/useKeptHistory.ts';
import { useUndoKeys } from '../../ui/useUndoKeys.ts';
import { firstArray, firstLayout, LAYOUTS } from './arrayLayouts.ts';
import { ArrayStage } from './ArrayStage.tsx';
import { LayoutFields } from './LayoutFields.tsx';
import { TEXTS } from './texts.ts';

/** Lays a motif as an array, or goes on with one that was laid before. */
export function ArrayPage() {
  const { id, motif: of } = useParams();
  const own = useMotif(id);
  const first = useMotif(of ?? (own.data?.recipe?.kind === 'array' ? own.data.recipe.motif : undefined));
  const foreign = own.data && own.data.recipe?.kind !== 'array' ? new Error(TEXTS.notAnArray(own.data.name)) : null;
  const ready =
    first.data && (id === undefined || own.data) && !foreign ? { motif: own.data, first: first.data } : undefined;
  return (
    <Fetched
      what="array"
      query={{ data: ready, error: foreign ?? own.error ?? first.error }}
      back={{ to: '/motifs', name: TEXTS.motifDrawer }}
    >
      {(data) => <ArrayDesk key={id ?? of} {...data} />}
    </Fetched>
  );
}

interface DeskProps {
  /** The array, once it is a motif. */
  readonly motif: DesignMotif | undefined;
  /** What it is made of. */
  readonly first: DesignMotif;
}

function ArrayDesk({ motif, first }: DeskProps) {
  const [unit] = useUnit();
  const begin = motif?.recipe?.kind === 'array' ? motif.recipe : firstArray(first);
  const history = useKeptHistory<ArrayRecipe>(motif ? `array.${motif.id}` : `array.of.${first.id}`, begin, (value) =>
    arrayRecipeSchema.validateSync(value, { strict: true }),
  );
  const { value: recipe, change, undo, redo } = history;
  useUndoKeys(undo, redo);
  const { layout } = recipe;
  const others = useMotifsById(motifsIn(recipe));
  const motifs = useMemo(() => new Map([first, ...others].map((one) => [one.id, one])), [first, others]);
  const parts = useMemo(() => arrayParts(recipe), [recipe]);
  const half = useMemo(() => {
    const corners = parts.flatMap((part) => {
      const one = motifs.get(part.motif);
      return one ? cornersAround(part, one).map(({ x, y }) => ({ x: x + part.x, y: y + part.y })) : [];
    });
    return {
      width: Math.max(1, ...corners.map(({ x }) => Math.abs(x))),
      height: Math.max(1, ...corners.map(({ y }) => Math.abs(y))),
    };
  }, [parts, motifs]);
  const set = (part: Partial<ArrayRecipe>, field?: string): void => change({ ...recipe, ...part }, field);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_320px] grid-rows-[48px_minmax(0,1fr)]">
      <ArrayHead motif={motif} first={first} recipe={recipe} onKept={history.done}>
        <HistoryButtons history={history} />
      </ArrayHead>
      <main className="min-h-0 min-w-0 bg-white p-6">
        <ArrayStage
          parts={parts}
          motifs={motifs}
          half={half}
          layout={layout}
          onLayout={(next, field) => set({ layout: next }, field)}
        />
      </main>
      <aside
        aria-label={TEXTS.array}
        className="grid min-h-0 content-start gap-4 overflow-y-auto border-l border-thread p-5"
      >
        <Choice
          label={TEXTS.layout}
          value={layout.kind}
          options={LAYOUTS.map((kind) => ({ value: kind, name: TEXTS[kind] }))}
          onChange={(kind) => set({ layout: firstLayout(kind, first) })}
        />
        <LayoutFields
          layout={layout}
          corner={layout.kind === 'frame' && layout.corner !== null ? motifs.get(layout.corner) : undefined}
          onChange={(next, field) => set({ layout: next }, field)}
        />
        <div className="grid grid-cols-2 gap-2 border-t border-dashed border-thread pt-4">
          <AmountField
            label={TEXTS.turn}
            sign="°"
            value={recipe.turn}
            min={-360}
            max={360}
            onChange={(turn) => set({ turn })}
          />
          <AmountField
            label={TEXTS.growth}
            sign="%"
            value={100 * recipe.growth}
            min={-50}
            max={50}
            onChange={(percent) => set({ growth: percent / 100 })}
          />
          <AmountField
            label={TEXTS.varyRotation}
            sign="°"
            value={recipe.varyRotation}
            min={0}
            max={180}
            onChange={(varyRotation) => set({ varyRotation })}
          />
          <AmountField
            label={TEXTS.varyScale}
            sign="%"
            value={100 * recipe.varyScale}
            min={0}
            max={90}
            onChange={(percent) => set({ varyScale: percent / 100 })}
          />
          <AmountField
            label={TEXTS.seed}
            value={recipe.seed}
            min={0}
            max={999_999}
            onChange={(seed) => set({ seed: Math.round(seed) })}
          />
          <Button className="self-end" onClick={() => set({ seed: (recipe.seed + 1) % 1_000_000 })}>
            <Dices size={15} aria-hidden /> {TEXTS.newSeed}
          </Button>
        </div>
        <Tick
          label={TEXTS.alternating}
          on={recipe.alternating ?? false}
          onChange={(alternating) => set({ alternating })}
        />
        <p className="text-sm text-graphite">
          {TEXTS.size(formatLength(2 * half.width, unit), formatLength(2 * half.height, unit), parts.length)}
        </p>
      </aside>
    </div>
  );
}

/** The array's name, and what keeps it as a motif. */
function ArrayHead({
  motif,
  first,
  recipe,
  onKept,
  children,
}: DeskProps & { readonly recipe: ArrayRecipe; readonly onKept: () => void; readonly children: ReactNode }) {
  const { isBusy, finish } = useMotifFinish(motif, first.collection, '/arrays', onKept);
  const [name, setName] = useState(motif?.name ?? TEXTS.arrayOf(first.name));
  return (
    <header className="col-span-2 flex items-center gap-3 border-b border-thread px-4">
      <BackLink to="/motifs" name={TEXTS.toTheDrawer} />
      <input
        aria-label={TEXTS.name}
        value={name}
        maxLength={120}
        onChange={(event) => setName(event.target.value)}
        className="h-8 w-72 rounded-md border border-transparent px-2 font-name text-base font-semibold hover:border-thread"
      />
      <span className="grow" />
      {children}
      <Button look="accent" disabled={isBusy || name.trim() === ''} onClick={() => void finish(name, recipe)}>
        {motif ? TEXTS.changeTheMotif : TEXTS.makeTheMotif}
      </Button>
    </header>
  );
}
