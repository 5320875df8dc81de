import { BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js';
import { useMemo } from 'react';
import { Bar } from 'react-chartjs-2';
import type { Quarter } from '../../../../core/check/index.ts';
import { formatNumber } from '../../../../core/units/index.ts';
import { useColourway } from '../../../cloth/useColourway.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useStore } from '../../../ui/store.ts';
import { TEXTS } from './texts.ts';

Chart.register(BarElement, CategoryScale, LinearScale, Tooltip);

const NAMES = [TEXTS.upperLeft, TEXTS.upperRight, TEXTS.lowerLeft, TEXTS.lowerRight];
/** A quarter whose mean gap is smaller has none to compare with, mm. */
const LEAST_GAP = 0.5;
const TICKS = { font: { size: 10 }, color: '#5b5f69' };
const GRID = { color: '#e3ddd0' };

/** How far neighbours are apart, and how much each ink covers, quarter by quarter of the cell. */
export function QuarterCharts({ quarters }: { readonly quarters: readonly Quarter[] }) {
  const editor = useEditor();
  const committed = useStore(editor.session, (state) => state.committed);
  const spacing = useMemo(
    () => ({
      labels: NAMES.map((name) => name.split(' ')),
      datasets: [
        { data: quarters.map((quarter) => quarter.spacing ?? 0), backgroundColor: '#3e5c76', barPercentage: 0.7 },
      ],
    }),
    [quarters],
  );
  const { colours } = useColourway();
  const inks = useMemo(() => {
    return {
      labels: NAMES.map((name) => name.split(' ')),
      datasets: committed.inks
        .map(({ id, name }, n) => ({
          label: name,
          data: quarters.map((quarter) => 100 * (quarter.inks[n] ?? 0)),
          backgroundColor: colours[id] ?? '#000',
          borderColor: '#1f243055',
          borderWidth: 0.5,
          barPercentage: 0.7,
        }))
        .filter(({ data }) => data.some((share) => share > 0)),
    };
  }, [committed, quarters, colours]);
  const options = (unit: string, stacked: boolean) => ({
    animation: false as const,
    responsive: true,
    maintainAspectRatio: false,
    plugins: {
      legend: { display: false },
      tooltip: {
        callbacks: {
          label: ({
            dataset: { label },
            parsed: { y },
          }: {
            dataset: { label?: string };
            parsed: { y: number | null };
          }) => `${label ? `${label}: ` : ''}${formatNumber(y ?? 0, 1)} ${unit}`,
        },
      },
    },
    scales: {
      x: { stacked, grid: { display: false }, ticks: { ...TICKS, maxRotation: 0 } },
      y: {
        stacked,
        beginAtZero: true,
        grid: GRID,
        ticks: { ...TICKS, maxTicksLimit: 4, callback: (value: number | string) => `${value} ${unit}` },
      },
    },
  });
  const widest = Math.max(...quarters.map((quarter) => quarter.spacing ?? 0));
  const closest = Math.min(...quarters.map((quarter) => quarter.spacing ?? Infinity));
  return (
    <>
      <figure className="grid grid-cols-1 gap-1">
        <figcaption className="text-xs text-graphite">{TEXTS.gapToTheNearestNeighbour}</figcaption>
        <div className="relative h-28">
          <Bar
            data={spacing}
            options={options('mm', false)}
            aria-label={`Mean gaps: ${quarters.map((quarter, n) => `${NAMES[n]} ${quarter.spacing === undefined ? 'none' : `${formatNumber(quarter.spacing, 1)} mm`}`).join(', ')}`}
          />
        </div>
        {widest > 1.5 * closest && (
          <figcaption className="text-xs">
            {closest < LEAST_GAP
              ? TEXTS.oneQuarterHasNoGaps(formatNumber(widest, 1))
              : TEXTS.oneQuarterLiesWidestTimes(formatNumber(widest / closest, 1))}
          </figcaption>
        )}
      </figure>
      <figure className="grid grid-cols-1 gap-1">
        <figcaption className="text-xs text-graphite">{TEXTS.shareOfEachInkBy}</figcaption>
        <div className="relative h-36">
          <Bar
            data={inks}
            options={options('%', true)}
            aria-label={TEXTS.coveredList(
              quarters.map(({ covered }, n) => `${NAMES[n]} ${formatNumber(covered * 100, 0)} %`).join(', '),
            )}
          />
        </div>
      </figure>
    </>
  );
}
