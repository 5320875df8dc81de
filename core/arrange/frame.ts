import { cornersAround, type Placement } from '../document/index.ts';
import {
  boxAround,
  compose,
  invert,
  type Matrix,
  normaliseAngle,
  type Point,
  type Pose,
  poseOf,
  transform,
  translationMatrix,
} from '../geometry/index.ts';
import type { Motif } from '../motif/index.ts';
import { poseAbout } from './transformPlacements.ts';

/**
 * What pins are set in: the parallelogram around one motif, or the upright box around several. A point of it is told
 * in shares: (0, 0) its upper left corner, (1, 1) its lower right one, as the motif itself has them.
 */
export type Frame = Matrix;

/** Shares across and down a frame. */
export interface FramePoint {
  readonly u: number;
  readonly v: number;
}

export const MIDDLE: FramePoint = { u: 0.5, v: 0.5 };

/** Closer to nothing than this a pin is not followed. */
const LEAST_FACTOR = 1e-3;

/**
 * The frame of placements.
 *
 * @param placements where they are meant, next to each other; their motifs all have to be known
 */
export function frameOf(
  placements: readonly Placement[],
  motifs: ReadonlyMap<string, Pick<Motif, 'width' | 'view'>>,
): Frame | undefined {
  const corners = placements.flatMap((placement) => {
    const motif = motifs.get(placement.motif);
    return motif ? cornersAround(placement, motif).map(({ x, y }) => ({ x: x + placement.x, y: y + placement.y })) : [];
  });
  if (corners.length === 0) return undefined;
  if (corners.length === 4) {
    const [a, b, , d] = corners as [Point, Point, Point, Point];
    return [b.x - a.x, b.y - a.y, d.x - a.x, d.y - a.y, a.x, a.y];
  }
  const { left, top, right, bottom } = boxAround(corners);
  return [right - left, 0, 0, bottom - top, left, top];
}

/** Where a point of the frame lies. */
export function pointInFrame(frame: Frame, { u, v }: FramePoint): Point {
  return transform(frame, { x: u, y: v });
}

/** Which point of the frame lies there; undefined where the frame is flat. */
export function framePointAt(frame: Frame, point: Point): FramePoint | undefined {
  const back = invert(frame);
  if (!back) return undefined;
  const { x, y } = transform(back, point);
  return { u: x, v: y };
}

/** Width and height of the frame along its own sides, mm. */
export function sizeOf([a, b, c, d]: Frame): { width: number; height: number } {
  return { width: Math.hypot(a, b), height: Math.hypot(c, d) };
}

/** The pose of the plane that brings a pin as near to `to` as proportions allow, and leaves `fixed` where it is. */
export function scaleByPin(frame: Frame, pin: FramePoint, fixed: FramePoint, to: Point): Pose | undefined {
  const [from, still] = [pointInFrame(frame, pin), pointInFrame(frame, fixed)];
  const [dx, dy] = [from.x - still.x, from.y - still.y];
  const scale = ((to.x - still.x) * dx + (to.y - still.y) * dy) / (dx * dx + dy * dy);
  return scale > LEAST_FACTOR ? poseAbout(still, { scale }) : undefined;
}

/** The pose that makes the frame wider (a pin on its left or right) or higher (above or below) until the pin is level with `to`. */
export function stretchByPin(frame: Frame, pin: FramePoint, fixed: FramePoint, to: Point): Pose | undefined {
  const share = framePointAt(frame, to);
  if (!share) return undefined;
  const upright = pin.v === 0.5;
  const factor = upright ? (share.u - fixed.u) / (pin.u - fixed.u) : (share.v - fixed.v) / (pin.v - fixed.v);
  return stretchBy(frame, upright ? factor : 1, upright ? 1 : factor, fixed);
}

/** The pose that makes the frame so many times as wide and as high, along its own sides. */
export function stretchBy(frame: Frame, across: number, down: number, fixed: FramePoint): Pose | undefined {
  return across > LEAST_FACTOR && down > LEAST_FACTOR ? within(frame, [across, 0, 0, down, 0, 0], fixed) : undefined;
}

/** The pose that slants the frame along the pin's side until the pin has gone along it as far as the hand has. */
export function skewByPin(frame: Frame, pin: FramePoint, fixed: FramePoint, from: Point, to: Point): Pose | undefined {
  const [a, b] = [framePointAt(frame, from), framePointAt(frame, to)];
  if (!a || !b) return undefined;
  return pin.v === 0.5
    ? within(frame, [1, (b.v - a.v) / (pin.u - fixed.u), 0, 1, 0, 0], fixed)
    : within(frame, [1, 0, (b.u - a.u) / (pin.v - fixed.v), 1, 0, 0], fixed);
}

/** Degrees by which a hand has gone round a point, clockwise. */
export function angleAround(around: Point, from: Point, to: Point): number {
  const angle = (p: Point): number => (Math.atan2(p.y - around.y, p.x - around.x) * 180) / Math.PI;
  return normaliseAngle(angle(to) - angle(from));
}

/** A map of the frame's own shares as one of the plane. */
function within(frame: Frame, map: Matrix, { u, v }: FramePoint): Pose | undefined {
  const back = invert(frame);
  return (
    back &&
    poseOf(compose(frame, compose(translationMatrix(u, v), compose(map, compose(translationMatrix(-u, -v), back)))))
  );
}
