import { taggedUnion } from '../schema/index.ts';
import { type ExportOrder, exportOrderSchema } from './exportOrder.ts';
import { RASTER_FORMAT_NAMES, RASTER_FORMATS, type RasterFormatName } from './rasterFormat.ts';
import {
  VECTOR_FORMAT_NAMES,
  VECTOR_FORMATS,
  type VectorFormatName,
  type VectorOrder,
  vectorOrderSchema,
} from './vectorOrder.ts';

/** An order of pixels or of shapes. */
export type AnyOrder = ExportOrder | VectorOrder;
export type FormatName = AnyOrder['format'];

export const FORMAT_NAMES: readonly FormatName[] = [...RASTER_FORMAT_NAMES, ...VECTOR_FORMAT_NAMES];

export const anyOrderSchema = taggedUnion(
  'format',
  // What the keys are is said by the lists.
  Object.fromEntries([
    ...RASTER_FORMAT_NAMES.map((name) => [name, exportOrderSchema]),
    ...VECTOR_FORMAT_NAMES.map((name) => [name, vectorOrderSchema]),
  ]) as Record<RasterFormatName, typeof exportOrderSchema> & Record<VectorFormatName, typeof vectorOrderSchema>,
  'format',
);

/** Whether shapes are ordered rather than pixels. */
export function isVectorOrder(order: AnyOrder): order is VectorOrder {
  return Object.hasOwn(VECTOR_FORMATS, order.format);
}

/** What a format is called, and how its files end. */
export function formatOf(order: Pick<AnyOrder, 'format'>): { readonly name: string; readonly extension: string } {
  const formats: Readonly<Record<FormatName, { readonly name: string; readonly extension: string }>> = {
    ...RASTER_FORMATS,
    ...VECTOR_FORMATS,
  };
  return formats[order.format];
}

/** The ending of an order's file: a rule with its tile beside it is two files in one. */
export function extensionOf(order: AnyOrder): string {
  return order.format === 'css' && !order.inline ? 'zip' : formatOf(order).extension;
}
