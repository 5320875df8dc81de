import type { Hole } from '../../core/toss/holes.ts';
import { echoesTouching } from '../../core/repeat/echoes.ts';
import { imagePoint } from '../../core/repeat/images.ts';
import { displacement, type Lattice } from '../../core/repeat/lattice.ts';
import { formatNumber } from '../../core/units/length.ts';
import { toCss, toMm, type Viewport } from './viewport.ts';

/** More than this many rounds tell nothing any more. */
const MOST_MARKS = 600;

/** The largest empty rounds, wherever they are seen. */
export function HoleMarks({ holes, viewport, lattice }: { readonly holes: readonly Hole[]; readonly viewport: Viewport; readonly lattice: Lattice }) {
  if (holes.length === 0) return null;
  const [a, b] = [toMm(viewport, { x: 0, y: 0 }), toMm(viewport, { x: viewport.width, y: viewport.height })];
  const window = { left: a.x, top: a.y, right: b.x, bottom: b.y };
  const scale = viewport.width / (b.x - a.x);
  const shown = holes.flatMap((hole, n) => lattice.images.map((image) => ({ n, hole: { ...imagePoint(image, hole), r: hole.r } })));
  const marks = shown.flatMap(({ n, hole }) =>
    echoesTouching(lattice, { left: hole.x - hole.r, top: hole.y - hole.r, right: hole.x + hole.r, bottom: hole.y + hole.r }, window).map((steps) => {
      const by = displacement(lattice, steps);
      return { n, at: toCss(viewport, { x: hole.x + by.x, y: hole.y + by.y }), r: hole.r };
    }),
  );
  return (
    <g className="pointer-events-none" fill="none" data-hole-marks={marks.length}>
      {marks.slice(0, MOST_MARKS).map(({ n, at, r }) => (
        <g key={`${n} ${at.x} ${at.y}`}>
          <circle cx={at.x} cy={at.y} r={r * scale} stroke="#fff" strokeWidth="3" fill="#c9a227" fillOpacity="0.14" />
          <circle cx={at.x} cy={at.y} r={r * scale} stroke="#1f2430" strokeWidth="1.25" strokeDasharray="4 3" />
          {r * scale > 16 && (
            <text x={at.x} y={at.y + 4} textAnchor="middle" fontSize="11.5" fontWeight="600" fill="#1f2430" stroke="#fff" strokeWidth="3" paintOrder="stroke">
              {formatNumber(2 * r, 0)}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}
