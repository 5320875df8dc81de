import { type ExportOrder, type ExportPlan, RASTER_FORMATS } from '../../../core/export/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import { fitText } from '../../ui/fitText.ts';
import { TEXTS } from './texts.ts';

/** What will come of an order. */
export function PlanSummary({ order, plan }: { readonly order: ExportOrder; readonly plan: ExportPlan }) {
  const { tile } = plan.grid;
  const { extent, size } = order;
  const contents = { cell: TEXTS.cellAlone, length: TEXTS.lengthFrom };
  return (
    <div className="rounded-md border border-thread bg-white p-3 text-sm" data-plan>
      <p className="font-semibold">
        {TEXTS.file(RASTER_FORMATS[order.format].name, plan.width, plan.height, formatNumber(plan.density, 2))}
      </p>
      <p className="text-graphite">
        {extent.kind === 'tile' || extent.kind === 'repeats'
          ? TEXTS.tileOf(tile.columns * tile.rows)
          : contents[extent.kind]}
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
      {plan.refusal && (
        <p role="alert" className="mt-1 text-madder">
          {plan.refusal}
        </p>
      )}
    </div>
  );
}
