import type { SnapLine } from '../../core/arrange/index.ts';
import { formatNumber } from '../../core/units/index.ts';
import { TEXTS } from './texts.ts';
import { toCss, type Viewport } from './viewport.ts';

/** The lines that have caught what is moved, each with what it is. */
export function SnapLines({ lines, viewport }: { readonly lines: readonly SnapLine[]; readonly viewport: Viewport }) {
  return lines.map(({ axis, at, from, to, kind, share, distance, aslant }) => {
    const [a, b] = aslant
      ? [toCss(viewport, aslant[0]), toCss(viewport, aslant[1])]
      : axis === 'x'
        ? [toCss(viewport, { x: at, y: from }), toCss(viewport, { x: at, y: to })]
        : [toCss(viewport, { x: from, y: at }), toCss(viewport, { x: to, y: at })];
    const text =
      kind === 'guide'
        ? 'guide'
        : kind === 'cell'
          ? share === '0'
            ? TEXTS.cellsEdge
            : TEXTS.shareOfTheCell(share)
          : kind === 'mirror'
            ? TEXTS.mirrorLine
            : kind === 'centre'
              ? axis === 'x'
                ? (TEXTS.centreOf[share ?? ''] ?? '')
                : ''
              : `${formatNumber(distance ?? 0, 1)} mm${kind === 'gap' ? TEXTS.toBothSides : ''}`;
    const line = { x1: a.x, y1: a.y, x2: b.x, y2: b.y };
    const middle = {
      x: Math.min(viewport.width - 90, Math.max(8, (a.x + b.x) / 2 + 6)),
      y: Math.min(viewport.height - 12, Math.max(16, (a.y + b.y) / 2 - 6)),
    };
    return (
      <g key={axis} className="pointer-events-none" data-caught={kind}>
        <line {...line} stroke="#fff" strokeWidth="3" />
        <line {...line} stroke="#b3402e" strokeWidth="1.25" />
        <text
          {...middle}
          fontSize="12"
          fontWeight="600"
          fill="#1f2430"
          stroke="#fff"
          strokeWidth="3"
          paintOrder="stroke"
        >
          {text}
        </text>
      </g>
    );
  });
}
