import type { DrawingSymmetry } from '../../core/draw/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly symmetry: Exclude<DrawingSymmetry, { readonly kind: 'none' }>;
  /** Where a place of the plane, mm, is on screen. */
  readonly onScreen: (mm: Point) => Point;
}

/** Longer than any window, CSS pixels. */
const FAR = 6000;

/** The axes that a stroke is reflected by, or the rays between which it is turned. */
export function DrawingAxes({ symmetry, onScreen }: Props) {
  const { x, y } = onScreen(symmetry.at);
  const rays =
    symmetry.kind === 'mirror'
      ? [symmetry.angle, symmetry.angle + 180]
      : Array.from({ length: symmetry.count }, (_, n) => (360 * n) / symmetry.count);
  return (
    <g className="pointer-events-none" data-drawing-axes={rays.length}>
      {rays.map((angle) => {
        const turn = (angle * Math.PI) / 180;
        const line = { x1: x, y1: y, x2: x + FAR * Math.sin(turn), y2: y - FAR * Math.cos(turn) };
        return (
          <g key={angle}>
            <line {...line} stroke="#fff" strokeWidth="3" strokeOpacity="0.6" />
            <line {...line} stroke="#1f2430" strokeWidth="1" strokeDasharray="7 5" />
          </g>
        );
      })}
    </g>
  );
}

/** The point that strokes are reflected or turned about: dragged to its place. Small, since strokes begin near it. */
export function DrawingCentre({
  symmetry,
  onScreen,
  onMove,
}: Props & { readonly onMove: (event: { clientX: number; clientY: number }) => void }) {
  const { x, y } = onScreen(symmetry.at);
  return (
    <button
      type="button"
      data-own-press
      data-drawing-centre
      aria-label={TEXTS.centreOfTheDrawing}
      title={TEXTS.centreOfTheDrawing}
      style={{ left: x, top: y }}
      onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
      onPointerMove={(event) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId)) onMove(event);
      }}
      className="absolute grid h-5 w-5 -translate-x-1/2 -translate-y-1/2 cursor-move touch-none place-items-center pointer-coarse:h-10 pointer-coarse:w-10"
    >
      <span className="h-4 w-4 rounded-full border-2 border-ink bg-white shadow-float" />
    </button>
  );
}
