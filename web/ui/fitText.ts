import type { ExportPlan } from '../../core/paint/index.ts';
import { formatNumber } from '../../core/units/index.ts';

const HARDLY = 0.0005;

/** What whole pixels cost, in a sentence. */
export function fitText({ error }: Pick<ExportPlan, 'error'>): string {
  const part = (mm: number, percent: number, more: string, less: string): string =>
    Math.abs(mm) < HARDLY
      ? 'exact'
      : `${formatNumber(Math.abs(mm), 3)} mm ${mm > 0 ? more : less} (${formatNumber(Math.abs(percent), 3)} %)`;
  const width = part(error.widthMm, error.widthPercent, 'wider', 'narrower');
  const height = part(error.heightMm, error.heightPercent, 'higher', 'lower');
  if (width === 'exact' && height === 'exact') return 'Whole pixels fit the cell exactly.';
  return `Whole pixels make the cell ${width === 'exact' ? 'exactly as wide' : width} and ${height === 'exact' ? 'exactly as high' : height}.`;
}
