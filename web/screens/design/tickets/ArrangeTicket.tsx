import {
  ArrowDown,
  ArrowDownToLine,
  ArrowUp,
  ArrowUpToLine,
  Package,
  PackageOpen,
  Split,
  SquaresIntersect,
  SquaresSubtract,
  SquaresUnite,
  Ungroup,
} from 'lucide-react';
import { lazy, Suspense, useContext, type ComponentType } from 'react';
import { isEditable } from '../../../../core/document/index.ts';
import { ClothContext } from '../../../cloth/clothContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { ArrangeSide } from '../../../editor/editorState.ts';
import { bundleOf, useBundles } from '../useBundles.ts';
import { Alternatives } from './Alternatives.tsx';
import { SelectMore } from './SelectMore.tsx';
import { Copies } from './Copies.tsx';
import { GuideList } from './GuideList.tsx';
import { HistoryList } from './HistoryList.tsx';
import { AlignPanel } from './AlignPanel.tsx';
import { MotifPick } from './MotifPick.tsx';
import { Numbers } from './Numbers.tsx';
import { Vary } from './Vary.tsx';
import { TEXTS } from './texts.ts';

// Each fetched when it is first looked at; the cloth does not wait for any of them.
const StackList = lazy(async () => ({ default: (await import('./LayerList.tsx')).StackList }));
const LayoutPanel = lazy(async () => ({ default: (await import('../layout/LayoutPanel.tsx')).LayoutPanel }));

const SIDES: Readonly<Record<ArrangeSide, { readonly name: string; readonly Shown: ComponentType }>> = {
  chosen: { name: TEXTS.selection, Shown: Chosen },
  stack: { name: TEXTS.layers, Shown: StackList },
  rows: { name: TEXTS.rows, Shown: LayoutPanel },
};
/** In a bundle that lies open there are only motifs to arrange. */
const INSIDE: readonly ArrangeSide[] = ['chosen', 'stack'];

/** The selection with its numbers and actions, the layers, or rows and grids. */
export function ArrangeTicket() {
  const editor = useEditor();
  const wished = useStore(editor.arrangeSide);
  const sides = editor.inside ? INSIDE : (Object.keys(SIDES) as ArrangeSide[]);
  const side = sides.includes(wished) ? wished : 'chosen';
  const { Shown } = SIDES[side];
  return (
    <div className="grid grid-cols-1 gap-4">
      <Choice
        label={TEXTS.arrange}
        value={side}
        onChange={(next) => editor.arrangeSide.set(next)}
        options={sides.map((value) => ({ value, name: SIDES[value].name }))}
      />
      <Suspense>
        <Shown />
      </Suspense>
    </div>
  );
}

function Chosen() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { ids } = useStore(editor.selection);
  const motifs = useStore(editor.motifs);
  const chosen = design.placements.filter(({ id }) => ids.includes(id));
  const [only] = chosen;
  const name = motifs.find(({ id }) => id === only?.motif)?.name ?? TEXTS.motif;
  return (
    <>
      {chosen.length === 0 ? (
        <NothingChosen count={editor.editablePlacements.length} />
      ) : (
        <>
          <h3 className="truncate font-name text-base font-semibold" title={name}>
            {chosen.length === 1 ? name : TEXTS.countMotifsSelected(chosen.length)}
          </h3>
          <Numbers />
          <StackButtons />
          <Fold name={TEXTS.alignAndDistribute} open>
            <AlignPanel />
          </Fold>
          <Fold name={TEXTS.copiesAndVariation} open>
            <Copies />
            <Vary />
          </Fold>
          <Fold name={TEXTS.replaceAndBundle} open>
            <MotifPick
              label={TEXTS.replaceWith}
              prompt={TEXTS.replaceWithText}
              onPick={(motif) => editor.replaceSelected(motif)}
            />
            <BundleButtons />
          </Fold>
          <Fold name={TEXTS.selectMore}>
            <SelectMore />
          </Fold>
        </>
      )}
      <GuideList />
      <Alternatives />
      <HistoryList />
    </>
  );
}

function NothingChosen({ count }: { readonly count: number }) {
  const editor = useEditor();
  return (
    <div className="grid gap-3 text-sm">
      {count === 0 ? (
        <p>{TEXTS.theClothIsEmptyDrag}</p>
      ) : (
        <>
          <p>
            {count === 1 ? TEXTS.oneMotifIs : TEXTS.countMotifsAre(count)} {TEXTS.inThe}{' '}
            {editor.inside ? 'bundle' : 'cell'}
            {TEXTS.dragAnyOfThemAnywhere}
          </p>
          <p>{TEXTS.shiftDragSelectsWithA}</p>
          <SelectMore />
        </>
      )}
    </div>
  );
}

const COMBININGS = [
  { how: 'join', name: TEXTS.join, hint: TEXTS.joinHint, Icon: SquaresUnite },
  { how: 'cut', name: TEXTS.cutOut, hint: TEXTS.cutOutHint, Icon: SquaresSubtract },
  { how: 'overlap', name: TEXTS.overlap, hint: TEXTS.overlapHint, Icon: SquaresIntersect },
] as const;

function BundleButtons() {
  const editor = useEditor();
  const bundles = useBundles();
  const { selectedPlacements } = editor;
  return (
    <>
      {selectedPlacements.length > 1 && (
        <>
          <Button onClick={() => bundles.bundle()}>
            <Package size={15} aria-hidden /> {TEXTS.bundle}
          </Button>
          <div className="grid grid-cols-3 gap-1" role="group" aria-label={TEXTS.combine}>
            {COMBININGS.map(({ how, name, hint, Icon }) => (
              <Button key={how} title={hint} className="px-1!" onClick={() => bundles.bundle(how)}>
                <Icon size={15} aria-hidden /> {name}
              </Button>
            ))}
          </div>
        </>
      )}
      {selectedPlacements.length === 1 && bundleOf(editor, selectedPlacements[0]) && (
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={() => bundles.open()}>
            <PackageOpen size={15} aria-hidden /> {TEXTS.open}
          </Button>
          <Button onClick={() => bundles.loosen()}>
            <Ungroup size={15} aria-hidden /> {TEXTS.unbundle}
          </Button>
        </div>
      )}
      <Button title={TEXTS.whatIsChangedInThe} onClick={() => bundles.separate()}>
        <Split size={15} aria-hidden /> {TEXTS.makeSeparate}
      </Button>
    </>
  );
}

/** Where in the stack what is chosen lies, and in which layer. */
function StackButtons() {
  const editor = useEditor();
  const cloth = useContext(ClothContext);
  const { layers } = editor.design;
  const { selectedPlacements } = editor;
  const [first] = selectedPlacements;
  const layer = selectedPlacements.every((placement) => placement.layer === first?.layer) ? first?.layer : undefined;
  return (
    <section aria-label={TEXTS.order} className="grid gap-2">
      <div className="grid grid-cols-4 gap-2">
        <Button label={TEXTS.toFront} className="w-full" onClick={() => editor.restack('front')}>
          <ArrowUpToLine size={16} aria-hidden />
        </Button>
        <Button
          label={TEXTS.bringForward}
          className="w-full"
          onClick={() => cloth && editor.restackByOne('up', cloth.controller.overlap)}
        >
          <ArrowUp size={16} aria-hidden />
        </Button>
        <Button
          label={TEXTS.sendBackward}
          className="w-full"
          onClick={() => cloth && editor.restackByOne('down', cloth.controller.overlap)}
        >
          <ArrowDown size={16} aria-hidden />
        </Button>
        <Button label={TEXTS.toBack} className="w-full" onClick={() => editor.restack('back')}>
          <ArrowDownToLine size={16} aria-hidden />
        </Button>
      </div>
      {layers.length > 1 && (
        <label className="grid grid-cols-[auto_minmax(0,1fr)] items-center gap-2 text-xs text-graphite">
          {TEXTS.layer}
          <select
            value={layer ?? ''}
            onChange={(event) => {
              const into = layers.find(({ id }) => id === event.target.value);
              if (into) editor.intoLayer(into);
            }}
            className="h-8 min-w-0 rounded-md border border-thread bg-white px-2 text-sm text-ink"
          >
            {layer === undefined && <option value="">{TEXTS.several}</option>}
            {layers.toReversed().map((layer) => (
              <option key={layer.id} value={layer.id} disabled={!isEditable(layer)}>
                {layer.name}
              </option>
            ))}
          </select>
        </label>
      )}
    </section>
  );
}
