import {
  angleAround,
  type Frame,
  type FramePoint,
  framePointAt,
  MIDDLE,
  type PlacementChanges,
  pointInFrame,
  poseAbout,
  scaleByPin,
  sizeOf,
  skewByPin,
  stretchByPin,
  transformPlacements,
} from '../../../core/arrange/index.ts';
import type { Placement } from '../../../core/document/index.ts';
import { compose, normaliseAngle, type Point, type Pose, poseMatrix } from '../../../core/geometry/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import type { GestureContext } from './gestureContext.ts';
import { lengthToMm, toMm } from '../viewport.ts';
import { dragLength } from './dragText.ts';
import type { Gesture } from './gesture.ts';
import { TEXTS } from '../texts.ts';

/** Turns come to rest on multiples of this, degrees; with Shift always, while lines catch when they are this near. */
const ANGLE = 15;
const ANGLE_REACH = 2.5;
/** The point comes to rest on corners, sides and the middle within this many CSS pixels. */
const POINT_REACH_PX = 8;

/** What the pins of the frame are set about when they are taken. */
interface Taken {
  readonly selectedInstances: readonly Placement[];
  readonly frame: Frame;
  readonly pivot: Point;
  /** Where the pointer is, with the frame brought to where it lies. */
  readonly at: (event: PointerEvent) => Point;
}

/**
 * Sizes what is chosen by a corner pin, makes it wider or higher by a side's, slants it by a side's with Ctrl; about
 * what lies opposite, or with Alt about the chosen point.
 *
 * @param shift mm by which the pins are seen aside of what is selectedInstances, where that is out of sight
 */
export function pinGesture(
  context: GestureContext,
  event: PointerEvent,
  pin: FramePoint,
  shift: Point,
): Gesture | undefined {
  const taken = take(context, shift);
  if (!taken) return undefined;
  const { frame, at } = taken;
  const from = at(event);
  // Pins of small motifs stand off the frame, and the hand may take any pin beside its middle.
  const own = pointInFrame(frame, pin);
  const grab = { x: from.x - own.x, y: from.y - own.y };
  const isCorner = pin.u !== 0.5 && pin.v !== 0.5;
  return poseDrag(context, taken, (moved) => {
    const pointer = at(moved);
    const to = { x: pointer.x - grab.x, y: pointer.y - grab.y };
    const fixed = moved.altKey ? apartFrom(pin, context.editor.anchor.getState()) : { u: 1 - pin.u, v: 1 - pin.v };
    if (isCorner)
      return named(
        scaleByPin(frame, pin, fixed, to),
        TEXTS.scaled,
        (pose) => `${widthText(frame, pose)}, ${formatNumber(shareText(taken, pose.scale), 1)} %`,
      );
    if (moved.ctrlKey)
      return named(skewByPin(frame, pin, fixed, own, to), TEXTS.skewed, (pose) =>
        TEXTS.leaningBySkew(
          formatNumber(
            transformPlacements(taken.selectedInstances, pose)?.[taken.selectedInstances[0]?.id ?? '']?.skew ??
              pose.skew,
            1,
          ),
        ),
      );
    return named(stretchByPin(frame, pin, fixed, to), TEXTS.stretched, (pose) =>
      pin.v === 0.5 ? widthText(frame, pose) : TEXTS.high(dragLength(sizeOf(after(frame, pose)).height)),
    );
  });
}

/** Turns what is chosen about its point. */
export function rotateGesture(context: GestureContext, event: PointerEvent, shift: Point): Gesture | undefined {
  const taken = take(context, shift);
  if (!taken) return undefined;
  const { selectedInstances, pivot, at } = taken;
  const from = at(event);
  // One motif comes to rest at its own angle; several at the angle they are turned by together.
  const own = selectedInstances.length === 1 ? (selectedInstances[0] as Placement).rotation : 0;
  return poseDrag(context, taken, (moved) => {
    const turn = own + angleAround(pivot, from, at(moved));
    const near = Math.round(turn / ANGLE) * ANGLE;
    const isCaught =
      moved.shiftKey || (context.editor.snapping.getState() !== moved.ctrlKey && Math.abs(turn - near) < ANGLE_REACH);
    const angle = isCaught ? near : turn;
    return named(
      poseAbout(pivot, { rotation: angle - own }),
      TEXTS.rotated,
      () => `${formatNumber(normaliseAngle(angle), 1)}°`,
    );
  });
}

/** Moves the point that what is chosen is turned and sized about. */
export function pointGesture(context: GestureContext, shift: Point): Gesture | undefined {
  const taken = take(context, shift);
  if (!taken) return undefined;
  const { editor, view } = context;
  const before = editor.anchor.getState();
  const { frame, at } = taken;
  return {
    move(event) {
      const to = at(event);
      const reach = lengthToMm(view.getViewport(), { x: POINT_REACH_PX, y: 0 }).x;
      const near = NINE.find((share) => {
        const p = pointInFrame(frame, share);
        return Math.hypot(p.x - to.x, p.y - to.y) < reach;
      });
      const share = near ?? framePointAt(frame, to);
      if (share) editor.anchor.set(share);
    },
    end: () => undefined,
    cancel: () => editor.anchor.set(before),
  };
}

/** The corners, the middles of the sides and the middle of a frame, row by row. */
export const NINE: readonly FramePoint[] = [0, 0.5, 1].flatMap((v) =>
  [0, 0.5, 1].map((u) => (u === 0.5 && v === 0.5 ? MIDDLE : { u, v })),
);

function take({ editor, view, local }: GestureContext, shift: Point): Taken | undefined {
  const { selectedInstances, frame, pivot } = editor;
  if (!frame || !pivot) return undefined;
  return {
    selectedInstances,
    frame,
    pivot,
    at: (event) => {
      const mm = toMm(view.getViewport(), local(event));
      return { x: mm.x - shift.x, y: mm.y - shift.y };
    },
  };
}

interface Step {
  readonly pose: Pose;
  readonly label: string;
  readonly text: string;
}

function named(pose: Pose | undefined, label: string, text: (pose: Pose) => string): Step | undefined {
  return pose && { pose, label, text: text(pose) };
}

/** Shows what a pose of the plane makes of what is chosen; where that is more than a motif can be, it waits. */
function poseDrag(
  context: GestureContext,
  { selectedInstances }: Taken,
  step: (event: PointerEvent) => Step | undefined,
): Gesture {
  const { editor, view } = context;
  view.hold(selectedInstances.map(({ id }) => id));
  let last: { readonly changes: PlacementChanges; readonly label: string } | undefined;
  return {
    move(event) {
      const next = step(event);
      const changes = next && transformPlacements(selectedInstances, next.pose);
      if (!changes) return;
      last = { changes, label: next.label };
      editor.arrange(changes);
      context.note.set({ at: context.local(event), text: next.text });
    },
    end() {
      view.release();
      if (last) editor.arrange(last.changes, last.label);
    },
    cancel() {
      editor.session.preview(undefined);
      view.release();
    },
  };
}

/** The chosen point, unless it lies on the pin's own side, which nothing can be sized about. */
function apartFrom(pin: FramePoint, point: FramePoint): FramePoint {
  return (pin.u !== 0.5 && Math.abs(point.u - pin.u) < 1e-6) || (pin.v !== 0.5 && Math.abs(point.v - pin.v) < 1e-6)
    ? MIDDLE
    : point;
}

function after(frame: Frame, pose: Pose): Frame {
  return compose(poseMatrix(pose), frame);
}

function widthText(frame: Frame, pose: Pose): string {
  return TEXTS.wide(dragLength(sizeOf(after(frame, pose)).width));
}

/** Of one motif its size then, of several the factor. */
function shareText({ selectedInstances }: Taken, factor: number): number {
  return (selectedInstances.length === 1 ? (selectedInstances[0] as Placement).scale : 1) * factor * 100;
}
