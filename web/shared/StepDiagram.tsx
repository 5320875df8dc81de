import type { Step } from '../../core/repeat/step.ts';

const W = 15;
const H = 12;

/** What a step does to a cell: the cell in ink, its neighbours in outline, shifted as the step says. */
export function StepDiagram({ step }: { readonly step: Step }) {
  const share = step.drop.p / step.drop.q;
  const cells = [-1, 0, 1].flatMap((i) =>
    [-2, -1, 0, 1, 2].map((j) => ({
      i,
      j,
      x: 16.5 + i * W + (step.kind === 'brick' ? wrapped(j * share) * W : 0),
      y: 14 + j * H + (step.kind === 'half-drop' ? wrapped(i * share) * H : 0),
    })),
  );
  return (
    <svg width="48" height="40" viewBox="0 0 48 40" aria-hidden className="shrink-0">
      <defs>
        <clipPath id="step-diagram">
          <rect width="48" height="40" rx="2" />
        </clipPath>
      </defs>
      <g clipPath="url(#step-diagram)">
        {cells.map(({ i, j, x, y }) => (
          <g key={`${i} ${j}`} fill="none" stroke="currentColor" strokeWidth="1" opacity={i === 0 && j === 0 ? 1 : 0.55}>
            <rect x={x} y={y} width={W} height={H} fill={i === 0 && j === 0 ? 'currentColor' : 'none'} fillOpacity={0.18} />
            <circle cx={x + W * 0.36} cy={y + H * 0.5} r="2" fill="currentColor" stroke="none" />
          </g>
        ))}
      </g>
    </svg>
  );
}

/** A shift of whole cells is no shift; this keeps the drawing within its frame. */
function wrapped(n: number): number {
  return n - Math.round(n);
}
