import type { Repeat } from '../lattice/index.ts';
import { type AnyOrder, extensionOf, formatOf, isVectorOrder } from './anyOrder.ts';
import { exportPlan } from './exportPlan.ts';
import type { Extent } from './extent.ts';
import { type FileFacts, nameFromTemplate } from './fileTemplate.ts';
import { vectorPage } from './vectorPage.ts';

/** Why an order cannot be carried out, where it cannot, and what helps. */
export function orderRefusal(repeat: Repeat, order: AnyOrder): string | undefined {
  return isVectorOrder(order) ? vectorPage(repeat, order).refusal : exportPlan(repeat, order).refusal;
}

/** How large an order's file comes out: pixels, or printed mm for shapes. */
export function orderSize(repeat: Repeat, order: AnyOrder): Pick<FileFacts, 'width' | 'height' | 'unit' | 'density'> {
  if (isVectorOrder(order)) {
    const { width, height } = vectorPage(repeat, order);
    return { width, height, unit: 'mm', density: undefined };
  }
  const { width, height, density } = exportPlan(repeat, order);
  return { width, height, unit: 'px', density };
}

function contentsOf(extent: Extent): string {
  if (extent.kind === 'repeats') return `${extent.columns}x${extent.rows}`;
  if (extent.kind === 'length') return `${extent.width}x${extent.height}mm`;
  return extent.kind;
}

/** The name of an order's file, with its ending. */
export function orderFileName(
  template: string,
  repeat: Repeat,
  order: AnyOrder,
  { name, date, number }: Pick<FileFacts, 'name' | 'date' | 'number'>,
): string {
  const facts = {
    name,
    date,
    number,
    contents: contentsOf(order.extent),
    format: formatOf(order).name,
    ...orderSize(repeat, order),
  };
  return `${nameFromTemplate(template, facts)}.${extensionOf(order)}`;
}
