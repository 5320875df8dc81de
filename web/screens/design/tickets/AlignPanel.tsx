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
import { TEXTS } from './texts.ts';

const SIDES: readonly { axis: Axis; side: Side; name: string; icon: ReactNode }[] = [
  { axis: 'x', side: 'low', name: TEXTS.alignLeftEdges, icon: <AlignStartVertical size={16} aria-hidden /> },
  {
    axis: 'x',
    side: 'middle',
    name: TEXTS.alignCentresHorizontally,
    icon: <AlignCenterVertical size={16} aria-hidden />,
  },
  { axis: 'x', side: 'high', name: TEXTS.alignRightEdges, icon: <AlignEndVertical size={16} aria-hidden /> },
  { axis: 'y', side: 'low', name: TEXTS.alignTopEdges, icon: <AlignStartHorizontal size={16} aria-hidden /> },
  {
    axis: 'y',
    side: 'middle',
    name: TEXTS.alignCentresVertically,
    icon: <AlignCenterHorizontal size={16} aria-hidden />,
  },
  { axis: 'y', side: 'high', name: TEXTS.alignBottomEdges, icon: <AlignEndHorizontal size={16} aria-hidden /> },
];
const SPACINGS = [
  { value: 'gaps', name: TEXTS.evenGaps },
  { value: 'middles', name: TEXTS.middles },
  { value: 'gap', name: TEXTS.typed },
  { value: 'cell', name: TEXTS.round },
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
      axis === 'x' ? TEXTS.distributedHorizontally : TEXTS.distributedVertically,
      distribute(latticeOf(design.repeat), chosen, motifs(), axis, by === 'gap' ? { by, mm: gap } : { by }),
    );
  const even = (measure: Measure): void =>
    commit(TEXTS.madeTheSameMeasure(measure), matchSize(chosen, motifs(), measure));
  return (
    <>
      <section aria-label={TEXTS.align} className="grid gap-2">
        <h4 className="text-xs text-graphite">{several ? TEXTS.align : TEXTS.alignToTheCell}</h4>
        {several && (
          <Choice
            label={TEXTS.alignTo}
            value={to}
            onChange={setTo}
            options={[
              { value: 'chosen', name: TEXTS.eachOther },
              { value: 'first', name: TEXTS.theFirst },
              { value: 'cell', name: TEXTS.theCell },
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
          <section aria-label={TEXTS.distribute} className="grid gap-2">
            <h4 className="text-xs text-graphite">{TEXTS.distribute}</h4>
            <Choice label={TEXTS.distributeBy} value={by} onChange={setBy} options={SPACINGS} />
            {by === 'gap' && <LengthField label={TEXTS.gap} mm={gap} signed min={-500} max={1000} onChange={setGap} />}
            {by === 'cell' && <p className="text-xs text-graphite">{TEXTS.evenGapsAllRoundThe}</p>}
            <div className="grid grid-cols-2 gap-2">
              <Button onClick={() => space('x')}>{TEXTS.horizontally}</Button>
              <Button onClick={() => space('y')}>{TEXTS.vertically}</Button>
            </div>
          </section>
          <section aria-label={TEXTS.sameSize} className="grid gap-2">
            <h4 className="text-xs text-graphite">{TEXTS.makeTheSameAsThe}</h4>
            <div className="grid grid-cols-3 gap-1">
              <Button onClick={() => even('width')}>{TEXTS.width}</Button>
              <Button onClick={() => even('height')}>{TEXTS.height}</Button>
              <Button onClick={() => even('area')}>{TEXTS.area}</Button>
            </div>
          </section>
          {chosen.length === 2 && (
            <Button
              onClick={() =>
                commit(TEXTS.swappedTwoMotifs, swapPlaces(chosen as unknown as readonly [Placement, Placement]))
              }
            >
              <ArrowLeftRight size={15} aria-hidden /> {TEXTS.swapTheirPlaces}
            </Button>
          )}
        </>
      )}
    </>
  );
}
