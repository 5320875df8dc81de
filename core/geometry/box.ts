import type { Point } from './point.ts';

/** An upright rectangle by its corners; `right >= left`, `bottom >= top`. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** The smallest box that holds all points; at least one is needed. */
export function boxAround(points: readonly Point[]): Box {
  if (points.length === 0) throw new RangeError('boxAround needs at least one point, got none');
  let left = Infinity;
  let top = Infinity;
  let right = -Infinity;
  let bottom = -Infinity;
  for (const { x, y } of points) {
    left = Math.min(left, x);
    top = Math.min(top, y);
    right = Math.max(right, x);
    bottom = Math.max(bottom, y);
  }
  return { left, top, right, bottom };
}

/** Its corners, clockwise from the upper left. */
export function cornersOfBox({ left, top, right, bottom }: Box): [Point, Point, Point, Point] {
  return [
    { x: left, y: top },
    { x: right, y: top },
    { x: right, y: bottom },
    { x: left, y: bottom },
  ];
}

/** The box moved by a displacement. */
export function shiftBox(box: Box, by: Point): Box {
  return { left: box.left + by.x, top: box.top + by.y, right: box.right + by.x, bottom: box.bottom + by.y };
}

/** The box with every side moved outwards, across and down by the same unless `y` is given. */
export function growBox({ left, top, right, bottom }: Box, x: number, y = x): Box {
  return { left: left - x, top: top - y, right: right + x, bottom: bottom + y };
}

/** The box that both cover, or undefined where they share no area. */
export function intersectBoxes(a: Box, b: Box): Box | undefined {
  const left = Math.max(a.left, b.left);
  const top = Math.max(a.top, b.top);
  const right = Math.min(a.right, b.right);
  const bottom = Math.min(a.bottom, b.bottom);
  return left < right && top < bottom ? { left, top, right, bottom } : undefined;
}
