import * as contract from '../../contract/index.ts';
import type { ExportOrder } from '../../core/export/index.ts';
import { call } from './client.ts';

/** What a file is made of: a design, or a version of a swatch. */
export type ExportSource = { readonly design: string } | { readonly swatch: string; readonly version: number };

export function startExport(source: ExportSource, order: ExportOrder): Promise<contract.Job> {
  return call(contract.startExport, { body: { ...source, order } });
}
