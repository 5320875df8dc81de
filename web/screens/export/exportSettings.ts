import { array, type InferType, object } from 'yup';
import {
  type AnyOrder,
  anyOrderSchema,
  DEFAULT_TEMPLATE,
  templateSchema,
  tileOrder,
} from '../../../core/export/index.ts';
import { keep, read } from '../../ui/browserKeep.ts';

/** What files were asked for last, for the next time. */
export interface ExportSettings {
  readonly orders: readonly AnyOrder[];
  readonly template: string;
}

const KEY = 'hevrel-export';
const schema = object({ orders: array(anyOrderSchema).required().min(1).max(20), template: templateSchema });

/** Keeps what was asked for in this browser, where it has room. */
export function keepSettings(settings: ExportSettings): void {
  keep(KEY, settings);
}

/** What was asked for last; one tile at 300 dpi where nothing was, or nothing that this version can read. */
export function readSettings(): ExportSettings {
  const kept: InferType<typeof schema> | undefined = read(KEY, (value) => schema.validateSync(value, { strict: true }));
  return kept ?? { orders: [tileOrder({ kind: 'density', dpi: 300 })], template: DEFAULT_TEMPLATE };
}
