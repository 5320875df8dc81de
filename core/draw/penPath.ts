import type { Point } from '../geometry/index.ts';
import type { PathText } from '../motif/index.ts';
import type { Brush, Stroke } from '../recipe/index.ts';
import { type Knot, knotsOf, onCurve, pathOfKnots } from './pathKnots.ts';

/** From one point to the next it is cut into pieces about as long as this, mm, but into no fewer and no more than these. */
const [PIECE, LEAST_PIECES, MOST_PIECES] = [0.5, 16, 400];

/** A path that is being made point by point. */
export interface OpenPath {
  readonly knots: readonly Knot[];
  readonly closed: boolean;
}

/** A path as a stroke of a drawing, in even width; fewer than two points are none. */
export function pathStroke(brush: Brush, { knots, closed }: OpenPath): Stroke | undefined {
  const points = pathOfKnots([{ path: 0, knots, closed }]);
  if (points === '') return undefined;
  return {
    ...brush,
    thinning: 0,
    pressure: 'none',
    taperStart: 0,
    taperEnd: 0,
    roughness: 0,
    seed: 1,
    deed: 'path',
    points,
  };
}

/** The middle lines of a path, closed ones ending where they begin. */
export function pathLines(path: PathText): Point[][] {
  return knotsOf(path).map(({ knots, closed }) => {
    const [first] = knots as readonly [Knot, ...Knot[]];
    const line: Point[] = [{ x: first.x, y: first.y }];
    const ends = closed ? [...knots.slice(1), first] : knots.slice(1);
    ends.forEach((to, n) => {
      const from = knots[n] as Knot;
      const far = distance(from, from.out) + distance(from.out, to.into) + distance(to.into, to);
      const pieces = Math.min(MOST_PIECES, Math.max(LEAST_PIECES, Math.ceil(far / PIECE)));
      for (let k = 1; k <= pieces; k += 1) line.push(onCurve(from, to, k / pieces));
    });
    return line;
  });
}

const distance = (p: Point, q: Point): number => Math.hypot(q.x - p.x, q.y - p.y);

/** The path with its last point smooth, its handles pulled to a place and as far to the other side; or the one out alone. */
export function pullHandles({ knots, closed }: OpenPath, to: Point, isOutAlone: boolean): OpenPath {
  const last = knots.at(-1);
  if (!last) return { knots, closed };
  const across = { x: 2 * last.x - to.x, y: 2 * last.y - to.y };
  const pulled: Knot = { ...last, out: { x: to.x, y: to.y }, into: isOutAlone ? last.into : across };
  return { knots: [...knots.slice(0, -1), pulled], closed };
}

/** A place on the nearest of eight directions from another, at the same distance along it. */
export function levelled(from: Point, to: Point): Point {
  const step = Math.PI / 4;
  const angle = Math.round(Math.atan2(to.y - from.y, to.x - from.x) / step) * step;
  const along = (to.x - from.x) * Math.cos(angle) + (to.y - from.y) * Math.sin(angle);
  return { x: from.x + along * Math.cos(angle), y: from.y + along * Math.sin(angle) };
}
