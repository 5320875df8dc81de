import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignStartHorizontal,
  AlignStartVertical,
  ArrowLeftRight,
} from 'lucide-react';
import { useState, type ReactNode } from 'react';
import {
  align,
  type Axis,
  distribute,
  matchSize,
  type Measure,
  type PlacementChanges,
  type Reference,
  type Side,
  type Spacing,
  swapPlaces,
} from '../../../../core/arrange/index.ts';
import type { Placement } from '../../../../core/document/index.ts';
import { latticeOf } from '../../../../core/lattice/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';

const SIDES: readonly { axis: Axis; side: Side; name: string; icon: ReactNode }[] = [
  { axis: 'x', side: 'low', name: 'Align left edges', icon: <AlignStartVertical size={16} aria-hidden /> },
  {
    axis: 'x',
    side: 'middle',
    name: 'Align centres horizontally',
    icon: <AlignCenterVertical size={16} aria-hidden />,
  },
  { axis: 'x', side: 'high', name: 'Align right edges', icon: <AlignEndVertical size={16} aria-hidden /> },
  { axis: 'y', side: 'low', name: 'Align top edges', icon: <AlignStartHorizontal size={16} aria-hidden /> },
  {
    axis: 'y',
    side: 'middle',
    name: 'Align centres vertically',
    icon: <AlignCenterHorizontal size={16} aria-hidden />,
  },
  { axis: 'y', side: 'high', name: 'Align bottom edges', icon: <AlignEndHorizontal size={16} aria-hidden /> },
];
const SPACINGS = [
  { value: 'gaps', name: 'Even gaps' },
  { value: 'middles', name: 'Middles' },
  { value: 'gap', name: 'Typed' },
  { value: 'cell', name: 'Round' },
] as const;

/** Lining up, spacing out and evening what is chosen, across joins too. */
export function AlignPanel() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { ids } = useStore(editor.selection);
  const [to, setTo] = useState<Reference>('chosen');
  const [by, setBy] = useState<Spacing['by']>('gaps');
  const [gap, setGap] = useState(10);
  // In the order in which they were chosen, since one of them may be the model.
  const chosen = ids
    .map((id) => design.placements.find((placement) => placement.id === id))
    .filter((placement): placement is Placement => placement !== undefined);
  const several = chosen.length > 1;
  const motifs = () => new Map(editor.motifs.getState().map((motif) => [motif.id, motif]));
  const commit = (label: string, changes: PlacementChanges): void => {
    if (Object.keys(changes).length > 0) editor.commit(label, { type: 'change', changes });
  };
  const lineUp = (axis: Axis, side: Side, name: string): void =>
    commit(name, align(latticeOf(design.repeat), chosen, motifs(), axis, side, several ? to : 'cell'));
  const space = (axis: Axis): void =>
    commit(
      axis === 'x' ? 'Distributed horizontally' : 'Distributed vertically',
      distribute(latticeOf(design.repeat), chosen, motifs(), axis, by === 'gap' ? { by, mm: gap } : { by }),
    );
  const even = (measure: Measure): void => commit(`Made the same ${measure}`, matchSize(chosen, motifs(), measure));
  return (
    <>
      <section aria-label="Align" className="grid gap-2">
        <h4 className="text-xs text-graphite">{several ? 'Align' : 'Align to the cell'}</h4>
        {several && (
          <Choice
            label="Align to"
            value={to}
            onChange={setTo}
            options={[
              { value: 'chosen', name: 'Each other' },
              { value: 'first', name: 'The first' },
              { value: 'cell', name: 'The cell' },
            ]}
          />
        )}
        <div className="grid grid-cols-6 gap-1">
          {SIDES.map(({ axis, side, name, icon }) => (
            <Button key={name} label={name} onClick={() => lineUp(axis, side, name)} className="w-full">
              {icon}
            </Button>
          ))}
        </div>
      </section>
      {several && (
        <>
          <section aria-label="Distribute" className="grid gap-2">
            <h4 className="text-xs text-graphite">Distribute</h4>
            <Choice label="Distribute by" value={by} onChange={setBy} options={SPACINGS} />
            {by === 'gap' && <LengthField label="Gap" mm={gap} signed min={-500} max={1000} onChange={setGap} />}
            {by === 'cell' && <p className="text-xs text-graphite">Even gaps all round the cell, over the join too.</p>}
            <div className="grid grid-cols-2 gap-2">
              <Button onClick={() => space('x')}>Across</Button>
              <Button onClick={() => space('y')}>Down</Button>
            </div>
          </section>
          <section aria-label="Same size" className="grid gap-2">
            <h4 className="text-xs text-graphite">Make the same as the first</h4>
            <div className="grid grid-cols-3 gap-1">
              <Button onClick={() => even('width')}>Width</Button>
              <Button onClick={() => even('height')}>Height</Button>
              <Button onClick={() => even('area')}>Area</Button>
            </div>
          </section>
          {chosen.length === 2 && (
            <Button
              onClick={() =>
                commit('Swapped two motifs', swapPlaces(chosen as unknown as readonly [Placement, Placement]))
              }
            >
              <ArrowLeftRight size={15} aria-hidden /> Swap their places
            </Button>
          )}
        </>
      )}
    </>
  );
}
