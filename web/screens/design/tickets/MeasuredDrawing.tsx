import type { ReactNode } from 'react';
import { type FramePoint, MIDDLE } from '../../../../core/arrange/index.ts';
import { NINE } from '../../../cloth/gestures/pinGesture.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useStore } from '../../../ui/store.ts';
import { OwnField, PositionField, SizeField } from '../SelectionFields.tsx';
import { TEXTS } from './texts.ts';

/** The drawing's own pixels: the cell's corner, and the selection in it. */
const CELL = { left: 6, top: 6 };
const OUTLINE = { left: 92, top: 78, right: 162, bottom: 150 };
const HEIGHT = 214;

interface Props {
  /** Whether the other side follows when one is typed. */
  readonly keep: boolean;
  /** What keeps the proportions, at the corner between width and height. */
  readonly children: ReactNode;
}

/**
 * The selection as a pattern cutter's sketch: its outline with width above, height beside it, its distances to the
 * cell's edges and the angle at its corner, each typed where it stands. The nine points are what is measured from.
 */
export function MeasuredDrawing({ keep, children }: Props) {
  const editor = useEditor();
  const anchor = useStore(editor.anchor);
  const at = pointOf(anchor);
  return (
    <div
      className="relative [&_input]:px-1 [&_input]:text-xs"
      style={{ height: HEIGHT }}
      role="group"
      aria-label={TEXTS.measuredFrom}
    >
      <svg className="absolute inset-0 h-full w-full" aria-hidden fill="none" stroke="#5b5f69" strokeWidth="1">
        <path d={`M${CELL.left} ${HEIGHT - 4}V${CELL.top}H250`} stroke="#1f2430" strokeDasharray="6 4" />
        <rect
          x={OUTLINE.left}
          y={OUTLINE.top}
          width={OUTLINE.right - OUTLINE.left}
          height={OUTLINE.bottom - OUTLINE.top}
          fill="#fff"
          stroke="#1f2430"
          strokeWidth="1.25"
        />
        <Dimension from={{ x: OUTLINE.left, y: 69 }} to={{ x: OUTLINE.right, y: 69 }} />
        <Dimension from={{ x: 171, y: OUTLINE.top }} to={{ x: 171, y: OUTLINE.bottom }} />
        <Dimension from={{ x: CELL.left, y: 194 }} to={{ x: at.x, y: 194 }} />
        <Dimension from={{ x: 86, y: CELL.top }} to={{ x: 86, y: at.y }} />
        <path d={`M${at.x} ${at.y}V198M${at.x} ${at.y}H82`} strokeDasharray="2 3" />
        <path d={`M${OUTLINE.right + 22} ${OUTLINE.bottom}a22 22 0 0 1 -22 22`} />
        <path d={`M${OUTLINE.right} ${OUTLINE.bottom}h28`} strokeDasharray="2 3" />
        <g fill="#5b5f69" stroke="none" className="text-[10px]">
          <Name at={{ x: 14, y: 21 }}>Y</Name>
          <Name at={{ x: 14, y: 153 }}>X</Name>
          <Name at={{ x: 91, y: 29 }}>{TEXTS.width}</Name>
          <Name at={{ x: 178, y: 95 }}>{TEXTS.height}</Name>
          <Name at={{ x: 209, y: 169 }}>{TEXTS.rotationText}</Name>
        </g>
      </svg>
      {NINE.map((share) => {
        const { x, y } = pointOf(share);
        return (
          <button
            key={`${share.u} ${share.v}`}
            type="button"
            aria-label={nameOf(share)}
            title={nameOf(share)}
            aria-pressed={isSame(share, anchor)}
            onClick={() => editor.anchor.set(share)}
            style={{ left: x - 12, top: y - 12 }}
            className="absolute grid h-6 w-6 place-items-center rounded-full hover:bg-linen"
          >
            <span
              className={`h-2 w-2 rounded-full border ${isSame(share, anchor) ? 'border-madder bg-madder' : 'border-graphite bg-white'}`}
            />
          </button>
        );
      })}
      <Place left={90} top={32} width={74}>
        <SizeField side="width" keep={keep} label={TEXTS.width} hideLabel />
      </Place>
      <Place left={177} top={98} width={74}>
        <SizeField side="height" keep={keep} label={TEXTS.height} hideLabel />
      </Place>
      <Place left={177} top={40} width={32}>
        {children}
      </Place>
      <Place left={8} top={24} width={74}>
        <PositionField axis="y" label="Y" hideLabel />
      </Place>
      <Place left={8} top={156} width={74}>
        <PositionField axis="x" label="X" hideLabel />
      </Place>
      <Place left={177} top={172} width={74}>
        <OwnField kind="rotation" label={TEXTS.rotationText} hideLabel />
      </Place>
    </div>
  );
}

function pointOf({ u, v }: FramePoint): { readonly x: number; readonly y: number } {
  return {
    x: OUTLINE.left + (OUTLINE.right - OUTLINE.left) * Math.min(1, Math.max(0, u)),
    y: OUTLINE.top + (OUTLINE.bottom - OUTLINE.top) * Math.min(1, Math.max(0, v)),
  };
}

/** What a number is called, over its field. */
function Name({ at, children }: { readonly at: End; readonly children: string }) {
  return (
    <text x={at.x} y={at.y}>
      {children}
    </text>
  );
}

interface End {
  readonly x: number;
  readonly y: number;
}

/** A dimension line, with a tick across each end. */
function Dimension({ from, to }: { readonly from: End; readonly to: End }) {
  const upright = from.x === to.x;
  const tick = ({ x, y }: End): string => (upright ? `M${x - 4} ${y}h8` : `M${x} ${y - 4}v8`);
  return <path d={`M${from.x} ${from.y}L${to.x} ${to.y}${tick(from)}${tick(to)}`} />;
}

function Place({ left, top, width, children }: { left: number; top: number; width: number; children: ReactNode }) {
  return (
    <div className="absolute" style={{ left, top, width }}>
      {children}
    </div>
  );
}

function isSame(a: FramePoint, b: FramePoint): boolean {
  return a.u === b.u && a.v === b.v;
}

function nameOf(point: FramePoint): string {
  if (isSame(point, MIDDLE)) return TEXTS.measureFromTheCentre;
  const across = point.u === 0 ? 'left' : point.u === 1 ? 'right' : '';
  const down = point.v === 0 ? 'upper' : point.v === 1 ? 'lower' : '';
  if (across && down) return TEXTS.measureFromTheDownAcross(down, across);
  return TEXTS.measureFromTheMiddleOf(down || across);
}
