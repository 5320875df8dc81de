import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Point } from '../../../core/geometry/index.ts';
import { type MarkedFace, rimOf } from '../../../core/tryon/index.ts';
import { takeArrow } from '../../ui/arrowSteps.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly faces: readonly MarkedFace[];
  readonly picked: number;
  /** CSS pixels to a pixel of the photograph. */
  readonly scale: number;
  readonly onPick: (face: number) => void;
  readonly onMove: (face: MarkedFace['face']) => void;
}

/** The marked faces over their photograph; the corners of the selected one are dragged, or moved by the arrow keys a pixel of the photograph at a time. */
export function CornerPins({ faces, picked, scale, onPick, onMove }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const held = useRef<number>(undefined);
  const face = faces[picked]?.face;
  const pins = face && pinsOf(face);
  const moved = (n: number, { x, y }: Point): void => {
    const point = { x: Math.round(x * 10) / 10, y: Math.round(y * 10) / 10 };
    if (face) onMove(withPin(face, n, point));
  };
  const onPointerMove = (event: PointerEvent): void => {
    if (held.current === undefined) return;
    const box = (frame.current as HTMLDivElement).getBoundingClientRect();
    moved(held.current, { x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale });
  };
  const onKeyDown = (n: number, event: KeyboardEvent): void => {
    const by = takeArrow(event);
    const pin = pins?.[n];
    if (by && pin) moved(n, { x: pin.x + by.x, y: pin.y + by.y });
  };
  const points = (all: readonly Point[]): string => all.map(({ x, y }) => `${x * scale},${y * scale}`).join(' ');
  return (
    <div ref={frame} className="absolute inset-0">
      <svg className="absolute inset-0 h-full w-full overflow-visible" aria-hidden>
        {faces.map((face, n) => (
          <polygon
            key={face.id}
            points={points(rimOf(face.face))}
            fill="#1f2430"
            fillOpacity={n === picked ? 0.12 : 0.02}
            stroke="#fff"
            strokeWidth="3"
            onPointerDown={() => onPick(n)}
          />
        ))}
        {faces.map((face, n) => (
          <polygon
            key={face.id}
            points={points(rimOf(face.face))}
            fill="none"
            stroke="#1f2430"
            strokeWidth="1.25"
            strokeDasharray={n === picked ? undefined : '5 4'}
            pointerEvents="none"
          />
        ))}
      </svg>
      {pins?.map((pin, n) => (
        <button
          key={n}
          type="button"
          aria-label={face?.kind === 'mesh' ? TEXTS.pointN(n + 1) : TEXTS.corner(n)}
          className="absolute grid h-10 w-10 -translate-x-1/2 -translate-y-1/2 cursor-move touch-none place-items-center rounded-full"
          style={{ left: pin.x * scale, top: pin.y * scale }}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            held.current = n;
          }}
          onPointerMove={onPointerMove}
          onPointerUp={() => (held.current = undefined)}
          onPointerCancel={() => (held.current = undefined)}
          onKeyDown={(event) => onKeyDown(n, event)}
        >
          <span className="block h-4 w-4 rounded-full border-2 border-white bg-ink shadow-float" />
        </button>
      ))}
    </div>
  );
}

/** The points of a face that can be taken hold of. */
const pinsOf = (face: MarkedFace['face']): readonly Point[] => (face.kind === 'mesh' ? face.points : face.corners);

function withPin(face: MarkedFace['face'], n: number, point: Point): MarkedFace['face'] {
  if (face.kind === 'mesh') return { ...face, points: face.points.map((one, k) => (k === n ? point : one)) };
  const [a, b, c, d] = face.corners;
  const corners = [n === 0 ? point : a, n === 1 ? point : b, n === 2 ? point : c, n === 3 ? point : d] as const;
  return { ...face, corners };
}
