import { IDENTITY, type Matrix, type Point, transform } from '../geometry/index.ts';
import type { PathText } from './artwork.ts';
import { tracePath } from './pathData.ts';

/** Pieces of one curve, at the most. */
const MOST_PIECES = 200;

/**
 * A path as polygons, one for each of its loops, mapped by a matrix; open ones are taken for closed, as filling does.
 *
 * @param off how far a polygon may be from its curves, after the map
 */
export function flattenPath(text: PathText, off: number, matrix: Matrix = IDENTITY): Point[][] {
  const loops: Point[][] = [];
  let loop: Point[] = [];
  let at: Point = { x: 0, y: 0 };
  const add = (point: Point): void => {
    loop.push(point);
    at = point;
  };
  const curve = (control: readonly Point[]): void => {
    const from = at;
    const points = [from, ...control];
    // By how much the control points bend, a polygon of n pieces is off by at most a quarter of that over n² (Wang, 1984).
    let bend = 0;
    for (let n = 0; n + 2 < points.length; n += 1) {
      const [p, q, r] = [points[n] as Point, points[n + 1] as Point, points[n + 2] as Point];
      bend = Math.max(bend, Math.hypot(p.x - 2 * q.x + r.x, p.y - 2 * q.y + r.y));
    }
    const degree = control.length;
    const pieces = Math.ceil(Math.sqrt((degree * (degree - 1) * bend) / (8 * off)));
    const count = Math.min(MOST_PIECES, Math.max(1, pieces));
    for (let n = 1; n <= count; n += 1) add(pointOf(points, n / count));
  };
  const mapped = (x: number, y: number): Point => transform(matrix, { x, y });
  tracePath(text, {
    moveTo(x, y) {
      if (loop.length > 2) loops.push(loop);
      loop = [];
      add(mapped(x, y));
    },
    lineTo: (x, y) => add(mapped(x, y)),
    quadraticCurveTo: (cx, cy, x, y) => curve([mapped(cx, cy), mapped(x, y)]),
    bezierCurveTo: (ax, ay, bx, by, x, y) => curve([mapped(ax, ay), mapped(bx, by), mapped(x, y)]),
    closePath() {
      if (loop.length > 2) loops.push(loop);
      const [first] = loop;
      loop = [];
      if (first) at = first;
    },
  });
  if (loop.length > 2) loops.push(loop);
  return loops;
}

/** A Bézier curve at a parameter (de Casteljau). */
function pointOf(control: readonly Point[], t: number): Point {
  let points = control;
  while (points.length > 1)
    points = points.slice(1).map(({ x, y }, n) => {
      const p = points[n] as Point;
      return { x: p.x + (x - p.x) * t, y: p.y + (y - p.y) * t };
    });
  return points[0] as Point;
}
