import { Package, PackageOpen, Split, Ungroup } from 'lucide-react';
import { Button } from '../../shared/Button.tsx';
import { LengthField } from '../../shared/LengthField.tsx';
import { Tick } from '../../shared/Tick.tsx';
import { AmountField } from '../../shared/AmountField.tsx';
import { naturalHeight } from '../../../core/motif/motif.ts';
import { LARGEST_SCALE, SMALLEST_SCALE, type Placement } from '../../../core/document/placement.ts';
import { withinTurn } from '../../../core/arrange/pins.ts';
import type { DrawerMotif } from '../../api/motifs.ts';
import { useBench } from '../bench.ts';
import { Copies } from './Copies.tsx';
import { ChooseMore } from './ChooseMore.tsx';
import { HistoryList } from './HistoryList.tsx';
import { LineUp } from './LineUp.tsx';
import { bundleOf, useBundles } from '../useBundles.ts';
import { useStore } from '../../shared/store.ts';

/** Exact numbers for what is chosen. */
export function ArrangeTicket() {
  const bench = useBench();
  const { design } = useStore(bench.session);
  const { ids } = useStore(bench.selection);
  const motifs = useStore(bench.motifs);
  const chosen = design.placements.filter(({ id }) => ids.includes(id));
  const [only] = chosen;
  const motif = only && motifs.find(({ id }) => id === only.motif);
  return (
    <div className="grid gap-4">
      {!only || !motif ? <NothingChosen count={bench.free.length} /> : chosen.length > 1 ? <SeveralChosen count={chosen.length} /> : <OneChosen placement={only} motif={motif} />}
      <Snapping />
      <HistoryList />
    </div>
  );
}

function Snapping() {
  const bench = useBench();
  const on = useStore(bench.snapping);
  return (
    <div className="border-t border-dashed border-thread pt-3">
      <Tick label="Catch on lines while moving" on={on} onChange={(next) => bench.snapping.set(next)} />
      <p className="text-xs text-graphite">The cell’s edges and shares, other motifs and their echoes, equal gaps. Ctrl held does the opposite.</p>
    </div>
  );
}

function NothingChosen({ count }: { readonly count: number }) {
  const bench = useBench();
  return (
    <div className="grid gap-3 text-sm">
      {count === 0 ? (
        <p>The cloth is bare. Drag a motif from the tray onto it, best across an edge of the cell first, so that the joins are hidden.</p>
      ) : (
        <>
          <p>
            {count === 1 ? 'One motif lies' : `${count} motifs lie`} in the {bench.inside ? 'bundle' : 'cell'}. Take any of their appearances to move it; all its echoes go with it.
          </p>
          <p>Shift and drag draws a box around motifs, Alt and drag a loop; a second click goes to what lies below.</p>
          <ChooseMore />
        </>
      )}
    </div>
  );
}

function SeveralChosen({ count }: { readonly count: number }) {
  const bench = useBench();
  const bundles = useBundles();
  return (
    <div className="grid gap-3 text-sm">
      <p>{count} motifs are chosen. They move together; arrows nudge them by 1 mm.</p>
      <LineUp />
      <ChooseMore />
      <StackButtons />
      <Button onClick={() => bench.duplicate()}>Duplicate</Button>
      <Copies />
      <Button onClick={() => bundles.bundle()}>
        <Package size={15} aria-hidden /> Bundle
      </Button>
      <ReplaceField />
      <SeparateButton />
      <Button onClick={() => bench.remove()}>Delete</Button>
    </div>
  );
}

function OneChosen({ placement, motif }: { readonly placement: Placement; readonly motif: DrawerMotif }) {
  const bench = useBench();
  const bundles = useBundles();
  const height = naturalHeight(motif);
  const resize = (scale: number): void => bench.change('Resized', () => ({ scale: Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, scale)) }));
  const sizes = (natural: number) => ({ min: natural * SMALLEST_SCALE, max: natural * LARGEST_SCALE });
  return (
    <div className="grid gap-4">
      <h3 className="truncate font-name text-base font-semibold" title={motif.name}>
        {motif.name}
      </h3>
      <div className="grid grid-cols-2 gap-2">
        <LengthField label="Centre across" mm={placement.x} signed onChange={(x) => bench.change('Moved', () => ({ x }))} />
        <LengthField label="Centre down" mm={placement.y} signed onChange={(y) => bench.change('Moved', () => ({ y }))} />
        <LengthField label="Width" mm={motif.width * placement.scale} {...sizes(motif.width)} onChange={(mm) => resize(mm / motif.width)} />
        <LengthField label="Height" mm={height * placement.scale} {...sizes(height)} onChange={(mm) => resize(mm / height)} />
        <AmountField label="Size" sign="%" value={placement.scale * 100} min={SMALLEST_SCALE * 100} max={LARGEST_SCALE * 100} onChange={(percent) => resize(percent / 100)} />
        <AmountField label="Turn" sign="°" value={placement.turn} onChange={(turn) => bench.change('Turned', () => ({ turn: withinTurn(turn) }))} />
        <AmountField label="Opacity" sign="%" value={placement.opacity * 100} min={0} max={100} onChange={(percent) => bench.change('Changed the opacity', () => ({ opacity: percent / 100 }))} />
        <div className="self-end">
          <Button pressed={placement.mirrored} onClick={() => bench.mirror()} className="w-full">
            Mirrored
          </Button>
        </div>
      </div>
      <LineUp />
      <StackButtons />
      {bundleOf(bench, placement) && (
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={() => bundles.open()}>
            <PackageOpen size={15} aria-hidden /> Open
          </Button>
          <Button onClick={() => bundles.loosen()}>
            <Ungroup size={15} aria-hidden /> Loosen
          </Button>
        </div>
      )}
      <Copies />
      <ReplaceField />
      <SeparateButton />
      <ChooseMore />
    </div>
  );
}

/** Another motif in the same place, as large and turned alike. */
function ReplaceField() {
  const bench = useBench();
  const motifs = useStore(bench.motifs);
  return (
    <select
      aria-label="Replace by"
      value=""
      onChange={(event) => {
        const motif = bench.motif(event.target.value);
        if (motif) bench.replaceChosen(motif);
      }}
      className="h-8 rounded-md border border-thread bg-white px-2 text-sm"
    >
      <option value="">Replace by …</option>
      {motifs
        .filter(({ deleted }) => !deleted)
        .map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
    </select>
  );
}

/** For when the motif is to be changed here and nowhere else. */
function SeparateButton() {
  const bundles = useBundles();
  return (
    <Button title="What is changed in the motif then changes only here" onClick={() => bundles.separate()}>
      <Split size={15} aria-hidden /> Make separate
    </Button>
  );
}

function StackButtons() {
  const bench = useBench();
  return (
    <div className="grid grid-cols-2 gap-2">
      <Button onClick={() => bench.restack('front')}>To the front</Button>
      <Button onClick={() => bench.restack('back')}>To the back</Button>
    </div>
  );
}
