import { Listbox, ListboxButton, ListboxOption, ListboxOptions, Radio, RadioGroup } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import { exportPlan } from '../../../core/paint/exportPlan.ts';
import { LARGEST_CELL_MM, SMALLEST_CELL_MM, type Repeat } from '../../../core/repeat/repeat.ts';
import { everyFraction, step, type StepKind } from '../../../core/repeat/step.ts';
import { straightUnit } from '../../../core/repeat/straightUnit.ts';
import { formatLength } from '../../../core/units/length.ts';
import { Choice } from '../../shared/Choice.tsx';
import { LengthField } from '../../shared/LengthField.tsx';
import { fitText } from '../../shared/fitText.ts';
import { StepDiagram } from '../../shared/StepDiagram.tsx';
import { stepText } from '../../shared/repeatText.ts';
import { SHOWN_UNITS, useUnit } from '../../shared/unit.ts';
import { FitCell } from './FitCell.tsx';
import { FractionOffers } from './FractionOffers.tsx';
import { useBench } from '../bench.ts';
import { useStore } from '../../shared/store.ts';

const KINDS: readonly { kind: StepKind; name: string }[] = [
  { kind: 'square', name: 'Square' },
  { kind: 'half-drop', name: 'Half-drop' },
  { kind: 'brick', name: 'Brick' },
];

/** The cell's size, how it is stepped, and what comes of it in whole pixels. */
export function RepeatTicket() {
  const bench = useBench();
  const { design } = useStore(bench.session);
  const [unit, setUnit] = useUnit();
  const { repeat } = design;
  const change = (label: string, next: Repeat): void => bench.commit(label, { type: 'repeat', repeat: next });
  const size = { min: SMALLEST_CELL_MM, max: LARGEST_CELL_MM };
  const straight = straightUnit(repeat);
  const plan = exportPlan(repeat, { dpi: 300 });
  return (
    <div className="grid gap-5">
      <RadioGroup
        value={repeat.step.kind}
        onChange={(kind: StepKind) => change(`Changed the step to ${kind}`, { ...repeat, step: kind === 'square' ? step('square') : step(kind, repeat.step.drop.p || 1, repeat.step.drop.p ? repeat.step.drop.q : 2) })}
        aria-label="Step"
        className="grid grid-cols-3 gap-1.5"
      >
        {KINDS.map(({ kind, name }) => (
          <Radio key={kind} value={kind} className="flex cursor-pointer flex-col items-center gap-1 rounded-md border border-thread bg-white py-2 text-xs data-checked:border-ink data-checked:ring-1 data-checked:ring-ink">
            <StepDiagram step={kind === repeat.step.kind ? repeat.step : step(kind)} />
            {name}
          </Radio>
        ))}
      </RadioGroup>
      {repeat.step.kind !== 'square' && (
        <div>
          <span className="mb-0.5 block text-xs text-graphite" id="fraction-label">
            {repeat.step.kind === 'half-drop' ? 'Each column drops by' : 'Each row shifts by'}
          </span>
          <Listbox value={`${repeat.step.drop.p}/${repeat.step.drop.q}`} onChange={(text: string) => {
            const [p, q] = text.split('/').map(Number) as [number, number];
            change(`Changed the step to ${text}`, { ...repeat, step: step(repeat.step.kind, p, q) });
          }}>
            <ListboxButton aria-labelledby="fraction-label" className="flex h-8 w-full items-center justify-between rounded-md border border-thread bg-white px-2 text-sm">
              {repeat.step.drop.p}/{repeat.step.drop.q} of the {repeat.step.kind === 'half-drop' ? 'height' : 'width'}, {formatLength((repeat.step.kind === 'half-drop' ? repeat.height : repeat.width) * (repeat.step.drop.p / repeat.step.drop.q), unit)}
              <ChevronDown size={14} aria-hidden />
            </ListboxButton>
            <ListboxOptions anchor="bottom start" className="z-50 max-h-72 w-(--button-width) overflow-auto rounded-md border border-thread bg-white py-1 text-sm shadow-float">
              {everyFraction().map(({ p, q }) => (
                <ListboxOption key={`${p}/${q}`} value={`${p}/${q}`} className="cursor-pointer px-3 py-1 data-focus:bg-linen data-selected:font-semibold">
                  {p}/{q}
                </ListboxOption>
              ))}
            </ListboxOptions>
          </Listbox>
        </div>
      )}
      {repeat.step.kind !== 'square' && <FractionOffers />}
      <div className="grid grid-cols-2 gap-2">
        <LengthField label="Cell width" mm={repeat.width} {...size} onChange={(width) => change('Resized the cell', { ...repeat, width })} />
        <LengthField label="Cell height" mm={repeat.height} {...size} onChange={(height) => change('Resized the cell', { ...repeat, height })} />
      </div>
      <FitCell />
      <Choice label="Unit" value={unit} options={SHOWN_UNITS.map((one) => ({ value: one, name: one }))} onChange={setUnit} />
      <dl className="grid gap-2 border-t border-dashed border-thread pt-4 text-sm">
        <div>
          <dt className="text-xs text-graphite">Straight unit, what a printer’s file holds</dt>
          <dd>
            {formatLength(straight.width, unit)} × {formatLength(straight.height, unit)}, {straight.columns * straight.rows} {straight.columns * straight.rows === 1 ? 'cell' : 'cells'} ({stepText(repeat.step)})
          </dd>
        </div>
        <div>
          <dt className="text-xs text-graphite">At 300 dpi</dt>
          <dd>
            {plan.grid.unit.width} × {plan.grid.unit.height} px
          </dd>
          <dd className="text-xs text-graphite">{fitText(plan)}</dd>
        </div>
      </dl>
    </div>
  );
}
