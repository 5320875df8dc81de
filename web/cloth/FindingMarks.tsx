import { lanesSeen, seenIn, type Mark } from './marks.ts';
import { toCss, windowMm, type Viewport } from './viewport.ts';

/** More than this many rounds tell nothing any more. */
const MOST_ROUNDS = 600;
/** Of each lane. */
const MOST_LANES = 24;

const LOOKS = {
  hole: { stroke: '#1f2430', fill: '#c9a227', dash: '4 3' },
  clump: { stroke: '#b3402e', fill: '#b3402e', dash: '9 4' },
  pair: { stroke: '#b3402e', fill: 'none', dash: undefined },
} as const;

/** Holes, lanes, clumps and touching pairs, wherever they are seen. */
export function FindingMarks({
  marks,
  viewport,
  taken,
}: {
  readonly marks: readonly Mark[];
  readonly viewport: Viewport;
  readonly taken: string | undefined;
}) {
  if (marks.length === 0) return null;
  const window = windowMm(viewport);
  const scale = viewport.width / (window.right - window.left);
  const long = viewport.width + viewport.height;
  return (
    <g className="pointer-events-none" fill="none" data-marks={marks.length}>
      {marks.map((mark) => {
        const isTaken = mark.key === taken;
        if (mark.kind === 'lane') {
          const turn = (mark.angle * Math.PI) / 180;
          return lanesSeen(mark, window)
            .slice(0, MOST_LANES)
            .map((middle) => {
              const { x, y } = toCss(viewport, middle);
              const line = {
                x1: x - long * Math.cos(turn),
                y1: y - long * Math.sin(turn),
                x2: x + long * Math.cos(turn),
                y2: y + long * Math.sin(turn),
              };
              return (
                <g key={`${mark.key} ${middle.x} ${middle.y}`} data-mark="lane">
                  <line
                    {...line}
                    stroke="#3e5c76"
                    strokeWidth={mark.width * scale}
                    strokeOpacity={isTaken ? 0.34 : 0.16}
                  />
                  <line {...line} stroke="#fff" strokeWidth="2.5" strokeOpacity="0.7" />
                  <line {...line} stroke="#3e5c76" strokeWidth="1" strokeDasharray="10 5" />
                </g>
              );
            });
        }
        const look = LOOKS[mark.kind];
        return seenIn(mark, window)
          .slice(0, MOST_ROUNDS / marks.length + 4)
          .map((at) => {
            const { x, y } = toCss(viewport, at);
            const round = { cx: x, cy: y, r: Math.max(6, mark.r * scale) };
            return (
              <g key={`${mark.key} ${at.x} ${at.y}`} data-mark={mark.kind}>
                <circle {...round} stroke="#fff" strokeWidth="3" fill={look.fill} fillOpacity={isTaken ? 0.3 : 0.13} />
                <circle {...round} stroke={look.stroke} strokeWidth={isTaken ? 2 : 1.25} strokeDasharray={look.dash} />
              </g>
            );
          });
      })}
    </g>
  );
}
