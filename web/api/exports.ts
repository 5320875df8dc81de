import * as contract from '../../contract/index.ts';
import type { ExportSize } from '../../core/paint/index.ts';
import { call } from './client.ts';

export function startExport(source: { design: string } | { swatch: string }, size: ExportSize): Promise<contract.Job> {
  const body = { design: undefined, swatch: undefined, dpi: undefined, width: undefined, ...source, ...size };
  return call(contract.startExport, { body });
}
