import { BarElement, CategoryScale, Chart, LinearScale } from 'chart.js';
import { useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { Bar } from 'react-chartjs-2';
import type { Levels } from '../../../core/recipe/index.ts';
import { levelTable } from '../../../core/scan/index.ts';
import { TEXTS } from './texts.ts';

Chart.register(BarElement, CategoryScale, LinearScale);

interface Props {
  readonly counts: Uint32Array;
  readonly levels: Levels;
  readonly onChange: (levels: Levels) => void;
}

const POINTS = [
  { key: 'black', name: TEXTS.blackPoint, fill: '#1f2430' },
  { key: 'middle', name: TEXTS.middlePoint, fill: '#8d8a86' },
  { key: 'white', name: TEXTS.whitePoint, fill: '#ffffff' },
] as const;
type PointKey = (typeof POINTS)[number]['key'];

/** How many pixels have each lightness, with the three points that are drawn along it. */
export function LevelsChart({ counts, levels, onChange }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const data = useMemo(
    () => ({
      labels: Array.from(counts.keys()),
      // By their roots, or the paper would leave nothing of the ink to see.
      datasets: [
        { data: Array.from(counts, Math.sqrt), backgroundColor: '#5b5f69', barPercentage: 1, categoryPercentage: 1 },
      ],
    }),
    [counts],
  );
  const options = useMemo(
    () => ({
      animation: false as const,
      responsive: true,
      maintainAspectRatio: false,
      events: [],
      scales: { x: { display: false }, y: { display: false, beginAtZero: true } },
      layout: { padding: 0 },
    }),
    [],
  );
  const curve = useMemo(
    () => Array.from(levelTable(levels), (value, n) => `${(n / 255) * 100},${100 - (value / 255) * 100}`).join(' '),
    [levels],
  );

  const set = (key: PointKey, value: number): void => {
    const { black, middle, white } = levels;
    const share = (middle - black) / (white - black);
    if (key === 'middle') onChange({ ...levels, middle: Math.min(white - 1, Math.max(black + 1, value)) });
    // The middle keeps its share of the way, so that the picture stays as light as it is.
    else if (key === 'black') moved(Math.min(white - 3, Math.max(0, value)), white, share);
    else moved(black, Math.min(255, Math.max(black + 3, value)), share);
  };
  const moved = (black: number, white: number, share: number): void =>
    onChange({ black, white, middle: black + (white - black) * share });

  const drag = (event: PointerEvent<HTMLElement>, key: PointKey): void => {
    const box = frame.current?.getBoundingClientRect();
    if (box && event.currentTarget.hasPointerCapture(event.pointerId))
      set(key, Math.round(((event.clientX - box.left) / box.width) * 255));
  };
  const onKey = (event: KeyboardEvent, key: PointKey): void => {
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    set(key, Math.round(levels[key]) + by * (event.shiftKey ? 10 : 1));
  };

  return (
    <div className="select-none">
      <div ref={frame} className="relative h-24 rounded-sm border border-thread bg-white">
        <Bar data={data} options={options} aria-label={TEXTS.histogramOfLightness} role="img" />
        <svg
          viewBox="0 0 100 100"
          preserveAspectRatio="none"
          className="pointer-events-none absolute inset-0 h-full w-full"
          aria-hidden
        >
          <polyline points={curve} fill="none" stroke="#ffffff" strokeWidth="3" vectorEffect="non-scaling-stroke" />
          <polyline points={curve} fill="none" stroke="#b3402e" strokeWidth="1.25" vectorEffect="non-scaling-stroke" />
        </svg>
      </div>
      <div className="relative h-5">
        {POINTS.map(({ key, name, fill }) => (
          <span
            key={key}
            role="slider"
            tabIndex={0}
            aria-label={name}
            aria-valuemin={0}
            aria-valuemax={255}
            aria-valuenow={Math.round(levels[key])}
            data-level={key}
            style={{ left: `calc(${(levels[key] / 255) * 100}% - 9px)` }}
            className="absolute top-0 grid h-5 w-[18px] cursor-ew-resize touch-none place-items-center"
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
            onPointerMove={(event) => drag(event, key)}
            onKeyDown={(event) => onKey(event, key)}
          >
            <span className="h-3.5 w-3.5 rounded-full border-2 border-ink" style={{ background: fill }} />
          </span>
        ))}
      </div>
    </div>
  );
}
