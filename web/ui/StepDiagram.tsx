import type { Point } from '../../core/geometry/index.ts';
import {
  applyOpToPoint,
  type Cell,
  cellOf,
  hexagonOf,
  indicesTouching,
  latticeOf,
  latticeTranslate,
  proportionOf,
  type Repeat,
  type Step,
} from '../../core/lattice/index.ts';

const VIEW = { left: 0, top: 0, right: 48, bottom: 40 };
/** Where the drawn cell's corner lies in the picture. */
const HOME: Point = { x: 16.5, y: 14 };

/** A cell of this step that leaves room for its neighbours. */
function repeatInside(step: Step): Repeat {
  const proportion = proportionOf(step);
  if (proportion === undefined) return { width: 15, height: 12, step };
  // Cells that are less than the box around them are drawn larger.
  const area = cellOf({ width: 1, height: proportion, step }).area;
  const width = Math.sqrt(180 / Math.max(area, 0.6 * proportion)) * 0.97;
  return { width, height: width * proportion, step };
}

/** A lopsided triangle within a cell, about the middle of its corners. */
function signIn({ corners, area }: Cell): Point[] {
  const middle = {
    x: corners.reduce((sum, { x }) => sum + x, 0) / corners.length,
    y: corners.reduce((sum, { y }) => sum + y, 0) / corners.length,
  };
  const size = 0.36 * Math.sqrt(area);
  return [
    { x: -0.45, y: -0.5 },
    { x: 0.55, y: -0.5 },
    { x: -0.45, y: 0.6 },
  ].map(({ x, y }) => ({ x: middle.x + x * size, y: middle.y + y * size }));
}

/** What a step does to a cell: the cell in ink, its neighbours in outline, with a lopsided sign in each that shows which are reflected or rotated. */
export function StepDiagram({ step }: { readonly step: Step }) {
  const repeat = repeatInside(step);
  const lattice = latticeOf(repeat);
  const { width, height } = repeat;
  const outline = step.honeycomb ? hexagonOf(repeat) : lattice.cell.corners;
  const sign = signIn(lattice.cell);
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
