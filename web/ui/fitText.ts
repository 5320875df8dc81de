import type { ExportPlan } from '../../core/export/index.ts';
import { formatNumber } from '../../core/units/index.ts';
import { TEXTS } from './texts.ts';

const HARDLY = 0.0005;

/** What whole pixels cost, in a sentence. */
export function fitText({ error }: Pick<ExportPlan, 'error'>): string {
  const part = (mm: number, percent: number, more: string, less: string): string =>
    Math.abs(mm) < HARDLY
      ? 'exact'
      : TEXTS.absMmMoreAbs2(formatNumber(Math.abs(mm), 3), mm > 0 ? more : less, formatNumber(Math.abs(percent), 3));
  const width = part(error.widthMm, error.widthPercent, 'wider', 'narrower');
  const height = part(error.heightMm, error.heightPercent, 'higher', 'lower');
  if (width === 'exact' && height === 'exact') return TEXTS.wholePixelsFitTheCell;
  return TEXTS.wholePixelsMakeTheCell(width, height);
}
