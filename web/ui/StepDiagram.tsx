import type { Point } from '../../core/geometry/index.ts';
import {
  applyOpToPoint,
  hexagonOf,
  indicesTouching,
  latticeOf,
  latticeTranslate,
  type Repeat,
  type Step,
} from '../../core/lattice/index.ts';

const VIEW = { left: 0, top: 0, right: 48, bottom: 40 };
/** Where the drawn cell's corner lies in the picture. */
const HOME: Point = { x: 16.5, y: 14 };

/** What a step does to a cell: the cell in ink, its neighbours in outline, with a lopsided sign in each that shows which are reflected or rotated. */
export function StepDiagram({ step }: { readonly step: Step }) {
  const repeat: Repeat = step.honeycomb
    ? step.kind === 'brick'
      ? { width: 15, height: 13, step }
      : { width: 13, height: 15, step }
    : { width: step.rotated === 'quarter' ? 13 : 15, height: step.rotated === 'quarter' ? 13 : 12, step };
  const lattice = latticeOf(repeat);
  const { width, height } = repeat;
  const outline = step.honeycomb
    ? hexagonOf(repeat)
    : [
        { x: 0, y: 0 },
        { x: width, y: 0 },
        { x: width, y: height },
        { x: 0, y: height },
      ];
  const sign = [
    { x: 0.28, y: 0.28 },
    { x: 0.62, y: 0.28 },
    { x: 0.28, y: 0.68 },
  ].map(({ x, y }) => ({ x: x * width, y: y * height }));
  const window = {
    left: VIEW.left - HOME.x,
    top: VIEW.top - HOME.y,
    right: VIEW.right - HOME.x,
    bottom: VIEW.bottom - HOME.y,
  };
  const cells = indicesTouching(
    lattice,
    { left: -width, top: -height, right: lattice.domain.width, bottom: lattice.domain.height },
    window,
  ).flatMap((steps) =>
    lattice.ops.map((image, n) => {
      const by = latticeTranslate(lattice, steps);
      const shown = (points: readonly Point[]): string =>
        points
          .map((point) => applyOpToPoint(image, point))
          .map(({ x, y }) => `${x + by.x + HOME.x},${y + by.y + HOME.y}`)
          .join(' ');
      return {
        key: `${steps.i} ${steps.j} ${n}`,
        isHome: n === 0 && steps.i === 0 && steps.j === 0,
        outline: shown(outline),
        sign: shown(sign),
      };
    }),
  );
  return (
    <svg width="48" height="40" viewBox="0 0 48 40" aria-hidden className="shrink-0 overflow-hidden rounded-xs">
      {cells.map(({ key, isHome, ...cell }) => (
        <g key={key} fill="none" stroke="currentColor" strokeWidth="1" opacity={isHome ? 1 : 0.5}>
          <polygon points={cell.outline} fill={isHome ? 'currentColor' : 'none'} fillOpacity={0.18} />
          <polygon points={cell.sign} fill="currentColor" stroke="none" />
        </g>
      ))}
    </svg>
  );
}
