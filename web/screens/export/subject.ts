import { type AnyOrder, isVectorOrder, RASTER_FORMATS } from '../../../core/export/index.ts';
import type { Repeat } from '../../../core/lattice/index.ts';

/** Something that goes into a file. */
export interface Subject {
  readonly name: string;
  readonly repeat: Repeat;
  /** Whether it has no ground; undefined where that is not known. */
  readonly bare: boolean | undefined;
}

/** Whether an order needs a colour behind what has no ground, and has none. */
export function lacksBackdrop(order: AnyOrder): boolean {
  return !isVectorOrder(order) && !RASTER_FORMATS[order.format].alpha && order.backdrop === undefined;
}
