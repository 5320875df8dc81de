import { invert, type Matrix, type Point, transform } from '../../core/geometry/index.ts';

/** Points that are selected, moved and removed by keys. */
export interface PointKeys {
  /** Selects the next point or the previous one. @returns its number, from 1, and how many there are */
  selectNext(by: 1 | -1): readonly [number, number];
  /** Moves what is selected, mm of the plane. @returns whether anything is selected */
  nudge(by: Point): boolean;
  removeSelected(): boolean;
}

/** A way on the plane in what a frame maps from. */
export function inFrame(frame: Matrix, by: Point): Point {
  const back = invert(frame);
  return back ? transform([back[0], back[1], back[2], back[3], 0, 0], by) : { x: 0, y: 0 };
}

/** The number of the one after or before, round and round. */
export const stepped = (n: number | undefined, by: 1 | -1, count: number): number =>
  n === undefined ? (by === 1 ? 0 : count - 1) : (n + by + count) % count;
