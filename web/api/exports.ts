import * as contract from '../../contract/index.ts';
import type { ExportOrder } from '../../core/export/index.ts';
import { call } from './client.ts';

export function startExport(
  source: { design: string } | { swatch: string },
  order: ExportOrder,
): Promise<contract.Job> {
  return call(contract.startExport, { body: { ...source, order } });
}
