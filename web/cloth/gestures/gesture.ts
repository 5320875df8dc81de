import type { Point } from '../../../core/geometry/index.ts';

/** What a press has begun. */
export interface Gesture {
  move(event: PointerEvent): void;
  end(): void;
  cancel(): void;
  /** The pointer was taken away, or a second finger has begun to pan; cancelled where it is not said what then. */
  lose?(toPinch: boolean): void;
}

/** Less than this is a click and no drag, CSS pixels. */
const SLIP_PX = 3;

/** Whether the hand has gone from one place to the other on purpose. */
export function hasGone(from: Point, to: Point): boolean {
  return Math.hypot(to.x - from.x, to.y - from.y) >= SLIP_PX;
}

/** Lengths set by hand come to rest on half millimetres; anything finer is typed. */
export function roundTo(mm: number): number {
  return Math.round(mm * 2) / 2;
}
