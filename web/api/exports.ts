import type { ExportSize } from '../../core/paint/index.ts';
import { call } from './client.ts';
import type { Job } from './jobs.ts';

export interface ExportResult {
  readonly href: string;
  readonly fileName: string;
  readonly width: number;
  readonly height: number;
}

export function startExport(source: { design: string } | { swatch: string }, size: ExportSize): Promise<Job> {
  return call<Job>('POST', '/exports', { ...source, ...size });
}
