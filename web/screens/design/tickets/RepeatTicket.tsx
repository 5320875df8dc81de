import { tileOf, stepText } from '../../../../core/lattice/index.ts';
import { exportPlan, tileOrder } from '../../../../core/export/index.ts';
import { formatLength } from '../../../../core/units/index.ts';
import { Choice } from '../../../ui/Choice.tsx';
import { fitText } from '../../../ui/fitText.ts';
import { SHOWN_UNITS, useUnit } from '../../../ui/unit.ts';
import { CellSize } from './CellSize.tsx';
import { RepeatsAcross } from './RepeatsAcross.tsx';
import { FitCell } from './FitCell.tsx';
import { SwapHalves } from './SwapHalves.tsx';
import { StepChoice } from './StepChoice.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useStore } from '../../../ui/store.ts';
import { TEXTS } from './texts.ts';

/** The cell's size, how it is stepped, and what comes of it in whole pixels. */
export function RepeatTicket() {
  const editor = useEditor();
  const [unit, setUnit] = useUnit();
  const repeat = useStore(editor.session, ({ design }) => design.repeat);
  const straight = tileOf(repeat);
  const plan = exportPlan(repeat, tileOrder({ kind: 'density', dpi: 300 }));
  return (
    <div className="grid grid-cols-1 gap-5">
      <StepChoice />
      <CellSize />
      <RepeatsAcross />
      <FitCell />
      <SwapHalves />
      <Choice
        label={TEXTS.unit}
        value={unit}
        options={SHOWN_UNITS.map((one) => ({ value: one, name: one }))}
        onChange={setUnit}
      />
      <dl className="grid gap-2 border-t border-dashed border-thread pt-4 text-sm">
        <div>
          <dt className="text-xs text-graphite">{TEXTS.straightUnitWhatAPrinters}</dt>
          <dd>
            {formatLength(straight.width, unit)} × {formatLength(straight.height, unit)}, {straight.cells}{' '}
            {straight.cells === 1 ? 'cell' : 'cells'} ({stepText(repeat.step)})
          </dd>
        </div>
        <div>
          <dt className="text-xs text-graphite">{TEXTS.at300Dpi}</dt>
          <dd>{TEXTS.widthHeightPx(plan.grid.tile.width, plan.grid.tile.height)}</dd>
          <dd className="text-xs text-graphite">{fitText(plan)}</dd>
        </div>
      </dl>
    </div>
  );
}
