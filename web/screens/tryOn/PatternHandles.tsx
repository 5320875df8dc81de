import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Point } from '../../../core/geometry/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import { type Fill, fillOf, layAbout, type Piece, type Product, type TryOn } from '../../../core/tryon/index.ts';
import { type ClothPoint, isMirrored } from './pointing.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly product: Product;
  readonly piece: Piece;
  readonly tryOn: TryOn;
  /** The point of the cloth that stays where it is. */
  readonly about: ClothPoint;
  /** Where that is seen, CSS pixels of the picture. */
  readonly at: Point;
  readonly onMove: (next: TryOn) => void;
  readonly onRest: (next: TryOn) => void;
}

/** CSS pixels from the point that was clicked to its handles. */
const REACH = 66;
const SNAP = 15;

/** Two handles beside the point that was clicked: one turns the pattern about it, one scales it. */
export function PatternHandles({ product, piece, tryOn, about, at, onMove, onRest }: Props) {
  const drag = useRef<{ readonly tryOn: TryOn; readonly from: Point; latest: TryOn }>(undefined);
  const centre = useRef<HTMLDivElement>(null);
  const fill = fillOf(tryOn, piece.id);
  const turn = isMirrored(piece, about) ? -1 : 1;
  const lay = (from: TryOn, change: Partial<Pick<Fill, 'scale' | 'rotation'>>): TryOn =>
    layAbout(from, product, piece.id, change, { x: about.u, y: about.v });

  const vector = (event: PointerEvent): Point => {
    const box = (centre.current as HTMLDivElement).getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  const begin = (event: PointerEvent): void => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { tryOn, from: vector(event), latest: tryOn };
  };
  const end = (): void => {
    if (drag.current && drag.current.latest !== drag.current.tryOn) onRest(drag.current.latest);
    drag.current = undefined;
  };
  const moved = (next: TryOn): void => {
    if (drag.current) drag.current.latest = next;
    onMove(next);
  };
  const onTurn = (event: PointerEvent): void => {
    if (!drag.current) return;
    const before = fillOf(drag.current.tryOn, piece.id).rotation;
    const by = (angleOf(vector(event)) - angleOf(drag.current.from)) * turn;
    const rotation = event.shiftKey ? Math.round((before + by) / SNAP) * SNAP : round(before + by, 1);
    moved(lay(drag.current.tryOn, { rotation }));
  };
  const onScale = (event: PointerEvent): void => {
    if (!drag.current) return;
    const [now, then] = [vector(event), drag.current.from];
    const by = Math.max(0.02, Math.hypot(now.x, now.y) / Math.max(1, Math.hypot(then.x, then.y)));
    moved(lay(drag.current.tryOn, { scale: round(fillOf(drag.current.tryOn, piece.id).scale * by, 3) }));
  };
  const byKey = (change: (sign: number, isLarge: boolean) => TryOn) => (event: KeyboardEvent) => {
    const sign = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (!sign) return;
    event.preventDefault();
    event.stopPropagation();
    onRest(change(sign, event.shiftKey));
  };

  // The turning handle points where the pattern's own top is, as far as the screen can tell.
  const angle = (turn * (fill.rotation + piece.grain) - 90) * (Math.PI / 180);
  const pin =
    'absolute grid h-10 w-10 -translate-x-1/2 -translate-y-1/2 cursor-grab touch-none place-items-center rounded-full';
  return (
    <div ref={centre} className="absolute h-0 w-0" style={{ left: at.x, top: at.y }}>
      <svg className="pointer-events-none absolute overflow-visible" width="1" height="1" aria-hidden>
        <circle r={REACH} fill="none" stroke="#fff" strokeWidth="3" strokeOpacity="0.85" />
        <circle r={REACH} fill="none" stroke="#1f2430" strokeWidth="1.25" strokeDasharray="5 4" />
        <circle r="4" fill="#1f2430" stroke="#fff" strokeWidth="1.5" />
      </svg>
      <div
        role="slider"
        tabIndex={0}
        aria-label={TEXTS.rotationHandle}
        aria-valuenow={fill.rotation}
        aria-valuemin={-180}
        aria-valuemax={180}
        aria-valuetext={`${formatNumber(fill.rotation)}°`}
        className={pin}
        style={{ left: REACH * Math.cos(angle), top: REACH * Math.sin(angle) }}
        onPointerDown={begin}
        onPointerMove={onTurn}
        onPointerUp={end}
        onPointerCancel={end}
        onKeyDown={byKey((sign, isLarge) => lay(tryOn, { rotation: fill.rotation + sign * (isLarge ? SNAP : 1) }))}
      >
        <span className="block h-5 w-5 rounded-full border-2 border-white bg-ink shadow-float" />
      </div>
      <div
        role="slider"
        tabIndex={0}
        aria-label={TEXTS.scaleHandle}
        aria-valuenow={Math.round(fill.scale * 100)}
        aria-valuemin={2}
        aria-valuemax={5000}
        aria-valuetext={`${formatNumber(fill.scale * 100)} %`}
        className={pin}
        style={{ left: REACH * Math.cos(angle + SIDE), top: REACH * Math.sin(angle + SIDE) }}
        onPointerDown={begin}
        onPointerMove={onScale}
        onPointerUp={end}
        onPointerCancel={end}
        onKeyDown={byKey((sign, isLarge) =>
          lay(tryOn, { scale: round(fill.scale * (isLarge ? 1.1 : 1.01) ** sign, 4) }),
        )}
      >
        <span className="block h-5 w-5 rotate-45 border-2 border-ink bg-white shadow-float" />
      </div>
    </div>
  );
}

/** The scaling handle stands a third of a turn from the other. */
const SIDE = (2 * Math.PI) / 3;

const angleOf = ({ x, y }: Point): number => (Math.atan2(y, x) * 180) / Math.PI;
const round = (value: number, digits: number): number => Number(value.toFixed(digits));
