import { type FramePoint, MIDDLE } from '../../core/arrange/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import { TEXTS } from './texts.ts';

/** The turning pin stands this far off the frame, and the point waits this far beside it while it is in the middle, CSS pixels. */
const TURN_PIN_OFF = 26;
const POINT_OFF = 20;
/** A side shorter than this on screen has no pin of its own. */
const LEAST_SIDE = 52;

const CORNERS: readonly FramePoint[] = [
  { u: 0, v: 0 },
  { u: 1, v: 0 },
  { u: 1, v: 1 },
  { u: 0, v: 1 },
];
const SIDES: readonly {
  readonly pin: FramePoint;
  readonly name: string;
  readonly along: readonly [FramePoint, FramePoint];
}[] = [
  { pin: { u: 0.5, v: 0 }, name: 'top', along: [CORNERS[0] as FramePoint, CORNERS[1] as FramePoint] },
  { pin: { u: 1, v: 0.5 }, name: 'right', along: [CORNERS[1] as FramePoint, CORNERS[2] as FramePoint] },
  { pin: { u: 0.5, v: 1 }, name: 'bottom', along: [CORNERS[2] as FramePoint, CORNERS[3] as FramePoint] },
  { pin: { u: 0, v: 0.5 }, name: 'left', along: [CORNERS[3] as FramePoint, CORNERS[0] as FramePoint] },
];

interface Props {
  /** Where a point of the frame is on screen. */
  readonly at: (share: FramePoint) => Point;
  readonly point: FramePoint;
  readonly onPin: (event: PointerEvent, pin: FramePoint) => void;
  readonly onTurn: (event: PointerEvent) => void;
  readonly onPoint: (event: PointerEvent) => void;
  readonly onPointHome: () => void;
}

/** Pins along a side shorter than this on screen stand off it, so that none hides what they hold, CSS pixels. */
const LEAST_SPAN = 60;

/** Where pins stand: on the frame, or off it by as much as the frame is too small. */
function standingOff(at: Props['at']): Props['at'] {
  const middle = at(MIDDLE);
  const off = (towards: FramePoint): Point => {
    const end = at(towards);
    const [dx, dy] = [end.x - middle.x, end.y - middle.y];
    const half = Math.hypot(dx, dy) || 1;
    const by = Math.max(0, LEAST_SPAN / 2 - half) / half;
    return { x: dx * by, y: dy * by };
  };
  const [across, down] = [off({ u: 1, v: 0.5 }), off({ u: 0.5, v: 1 })];
  return (share) => {
    const { x, y } = at(share);
    const [u, v] = [2 * share.u - 1, 2 * share.v - 1];
    return { x: x + across.x * u + down.x * v, y: y + across.y * u + down.y * v };
  };
}

/** Round pins at the corners and sides, one off the top for turning, and the point that all goes by. */
export function Pins({ at: inFrame, point, onPin, onTurn, onPoint, onPointHome }: Props) {
  const at = standingOff(inFrame);
  const [top, foot] = [at({ u: 0.5, v: 0 }), at({ u: 0.5, v: 1 })];
  const length = Math.hypot(top.x - foot.x, top.y - foot.y) || 1;
  const turn = {
    x: top.x + ((top.x - foot.x) / length) * TURN_PIN_OFF,
    y: top.y + ((top.y - foot.y) / length) * TURN_PIN_OFF,
  };
  // In the middle it would be in the hand's way, which moves motifs by taking them there.
  const isHome = point.u === MIDDLE.u && point.v === MIDDLE.v;
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
        <line x1={top.x} y1={top.y} x2={turn.x} y2={turn.y} stroke="#1f2430" strokeWidth="3" strokeOpacity="0.55" />
        <line x1={top.x} y1={top.y} x2={turn.x} y2={turn.y} stroke="#fff" strokeWidth="1.25" />
      </svg>
      <PointPin
        at={
          isHome
            ? {
                x: turn.x - ((top.y - foot.y) / length) * POINT_OFF,
                y: turn.y + ((top.x - foot.x) / length) * POINT_OFF,
              }
            : inFrame(point)
        }
        onPress={onPoint}
        onHome={onPointHome}
      />
      {SIDES.map(({ pin, name, along }) => {
        const [a, b] = [at(along[0]), at(along[1])];
        if (Math.hypot(a.x - b.x, a.y - b.y) < LEAST_SIDE) return null;
        return (
          <Pin
            key={name}
            at={at(pin)}
            name={`side-${name}`}
            label={TEXTS.dragToStretchWithCtrl}
            small
            className="cursor-move bg-white"
            onPress={(event) => onPin(event, pin)}
          />
        );
      })}
      {CORNERS.map((pin, n) => (
        <Pin
          key={n}
          at={at(pin)}
          name={`corner-${n}`}
          label={TEXTS.dragToScaleWithAlt}
          className="cursor-nwse-resize bg-white"
          onPress={(event) => onPin(event, pin)}
        />
      ))}
      <Pin at={turn} name="turn" label={TEXTS.dragToRotateWithShift} className="cursor-grab bg-ink" onPress={onTurn} />
    </>
  );
}

interface PinProps {
  readonly at: Point;
  readonly name: string;
  readonly label: string;
  readonly className: string;
  readonly small?: boolean;
  readonly onPress: (event: PointerEvent) => void;
}

function Pin({ at, name, label, className, small = false, onPress }: PinProps) {
  return (
    <div
      title={label}
      data-own-press
      data-pin={name}
      style={{ left: at.x - 10, top: at.y - 10 }}
      className="absolute grid h-5 w-5 place-items-center"
      onPointerDown={(event) => onPress(event.nativeEvent)}
    >
      <span
        className={`rounded-full border-2 border-white shadow-[0_0_0_1.5px_#1f2430] ${small ? 'h-2.5 w-2.5' : 'h-3 w-3'} ${className}`}
      />
    </div>
  );
}

/** The point that turning, sizing and typed places go by: dragged, or clicked twice to go back to the middle. */
function PointPin({
  at,
  onPress,
  onHome,
}: {
  readonly at: Point;
  readonly onPress: (event: PointerEvent) => void;
  readonly onHome: () => void;
}) {
  return (
    <div
      title={TEXTS.anchorForRotatingAndScaling}
      data-own-press
      data-pin="point"
      style={{ left: at.x - 9, top: at.y - 9 }}
      className="absolute h-4.5 w-4.5 cursor-move"
      onPointerDown={(event) => onPress(event.nativeEvent)}
      onDoubleClick={onHome}
    >
      <svg viewBox="0 0 18 18" aria-hidden className="h-full w-full">
        <path d="M9 2v14M2 9h14" stroke="#fff" strokeWidth="3.5" />
        <path d="M9 2.5v13M2.5 9h13" stroke="#1f2430" strokeWidth="1.5" />
      </svg>
    </div>
  );
}
