import {
  type AnyOrder,
  type ExportOrder,
  exportPlan,
  formatOf,
  isVectorOrder,
  orderRefusal,
  type VectorOrder,
  vectorPage,
} from '../../../core/export/index.ts';
import type { Repeat } from '../../../core/lattice/index.ts';
import { formatLength, formatNumber } from '../../../core/units/index.ts';
import { fitText } from '../../ui/fitText.ts';
import { useUnit } from '../../ui/unit.ts';
import type { Subject } from './subject.ts';
import { TEXTS } from './texts.ts';

const CONTENTS = { cell: TEXTS.cellAlone, length: TEXTS.lengthFrom };

/** What will come of an order; of several subjects, of the first. */
export function PlanSummary({ order, subjects }: { readonly order: AnyOrder; readonly subjects: readonly Subject[] }) {
  const [first] = subjects;
  const refused = subjects
    .map(({ name, repeat }) => ({ name, refusal: orderRefusal(repeat, order) }))
    .find(({ refusal }) => refusal !== undefined);
  if (!first) return null;
  return (
    <div className="rounded-md border border-thread bg-white p-3 text-sm" data-plan>
      {subjects.length > 1 && <p className="mb-1 text-graphite">{TEXTS.suchAs(first.name)}</p>}
      {isVectorOrder(order) ? (
        <VectorPlan order={order} repeat={first.repeat} />
      ) : (
        <RasterPlan order={order} repeat={first.repeat} />
      )}
      {refused && (
        <p role="alert" className="mt-1 text-madder">
          {subjects.length > 1 ? `${refused.name}: ` : ''}
          {refused.refusal}
        </p>
      )}
    </div>
  );
}

function RasterPlan({ order, repeat }: { readonly order: ExportOrder; readonly repeat: Repeat }) {
  const plan = exportPlan(repeat, order);
  const { tile } = plan.grid;
  const { extent, size } = order;
  return (
    <>
      <p className="font-semibold">
        {TEXTS.file(formatOf(order).name, plan.width, plan.height, formatNumber(plan.density, 2))}
      </p>
      <p className="text-graphite">
        {extent.kind === 'tile' || extent.kind === 'repeats' ? TEXTS.tileOf(tile.cells) : CONTENTS[extent.kind]}
      </p>
      <p className="mt-1 text-graphite">
        {plan.stretch === 0
          ? fitText(plan)
          : TEXTS.stretched(
              formatNumber(Math.abs(100 * plan.stretch), 2),
              plan.stretch > 0 ? TEXTS.taller : TEXTS.flatter,
            )}
      </p>
      {size.kind === 'pixels' && extent.kind === 'tile' && tile.width !== size.width && (
        <p className="mt-1 text-graphite">{TEXTS.nearestWidth(tile.width, tile.columns)}</p>
      )}
    </>
  );
}

function VectorPlan({ order, repeat }: { readonly order: VectorOrder; readonly repeat: Repeat }) {
  const [unit] = useUnit();
  const { width, height, scale } = vectorPage(repeat, order);
  return (
    <>
      <p className="font-semibold">
        {formatOf(order).name}, {formatLength(width, unit)} × {formatLength(height, unit)}
        {scale !== 1 && `, ${TEXTS.atPercent(formatNumber(100 * scale, 1))}`}
      </p>
      <p className="text-graphite">{TEXTS.vectorNotes[order.format]}</p>
    </>
  );
}
