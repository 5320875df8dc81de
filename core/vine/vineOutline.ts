import type { Point } from '../geometry/index.ts';
import { type PathText, Pen } from '../motif/index.ts';
import { directionOf, type VineCurve } from './vineCurve.ts';

/** How far an edge may be from where it is meant, mm. */
const EDGE_OFF = 0.01;
/** Each piece reaches into the next by this, so that no light falls through where they meet; mm. */
export const VINE_LAP = 0.15;
/** Pieces of an edge between two knots are halved at most so often. */
const DEEPEST = 9;

interface EdgePlace {
  readonly at: Point;
  /** By the curve's parameter. */
  readonly slope: Point;
}

/**
 * The edges of a vine, of one period or from one place to another, as one closed path, mm: cubic curves that have the direction of the
 * true edge at both their ends (Hermite), halved until they are within 0.01 mm of it. It begins and ends across the vine, a little beyond.
 *
 * @param from and to, places by the curve's parameter within one period
 */
export function vineOutline(curve: VineCurve, from = 0, to = curve.span): PathText {
  const lap = (VINE_LAP / curve.length) * curve.span;
  const stops = [from - lap, ...curve.knots.filter((knot) => knot > from && knot < to), to + lap];
  const pen = new Pen();
  const start = edgeAt(curve, stops[0] as number, 1);
  pen.move(start.at.x, start.at.y);
  for (let n = 1; n < stops.length; n += 1) edge(pen, curve, stops[n - 1] as number, stops[n] as number, 1, 0);
  const back = edgeAt(curve, stops.at(-1) as number, -1);
  pen.line(back.at.x, back.at.y);
  for (let n = stops.length - 1; n > 0; n -= 1) edge(pen, curve, stops[n] as number, stops[n - 1] as number, -1, 0);
  return pen.close().toString();
}

/** A place of an edge, left (1) or right (−1) of the middle line as it goes, with the edge's own direction. */
function edgeAt(curve: VineCurve, t: number, side: 1 | -1): EdgePlace {
  const place = curve.place(t);
  const along = directionOf(place);
  const normal = { x: along.y, y: -along.x };
  const { at, slope, bend, width, widening } = place;
  const speed = Math.hypot(slope.x, slope.y);
  // How fast the direction turns: the curvature times the speed.
  const turning = speed > 1e-9 ? (slope.x * bend.y - slope.y * bend.x) / (speed * speed) : 0;
  const off = (side * width) / 2;
  const offSlope = (side * widening) / 2;
  return {
    at: { x: at.x + off * normal.x, y: at.y + off * normal.y },
    slope: {
      x: slope.x + offSlope * normal.x - off * turning * -along.x,
      y: slope.y + offSlope * normal.y - off * turning * -along.y,
    },
  };
}

function edge(pen: Pen, curve: VineCurve, from: number, to: number, side: 1 | -1, depth: number): void {
  const [p, q] = [edgeAt(curve, from, side), edgeAt(curve, to, side)];
  const third = (to - from) / 3;
  const [c, d] = [
    { x: p.at.x + p.slope.x * third, y: p.at.y + p.slope.y * third },
    { x: q.at.x - q.slope.x * third, y: q.at.y - q.slope.y * third },
  ];
  const isNear = [0.25, 0.5, 0.75].every((share) => {
    const u = 1 - share;
    const [a, b, e, f] = [u ** 3, 3 * u * u * share, 3 * u * share * share, share ** 3];
    const meant = edgeAt(curve, from + (to - from) * share, side).at;
    const x = a * p.at.x + b * c.x + e * d.x + f * q.at.x;
    const y = a * p.at.y + b * c.y + e * d.y + f * q.at.y;
    return Math.hypot(x - meant.x, y - meant.y) < EDGE_OFF;
  });
  if (isNear || depth >= DEEPEST) pen.curve(c.x, c.y, d.x, d.y, q.at.x, q.at.y);
  else {
    const middle = (from + to) / 2;
    edge(pen, curve, from, middle, side, depth + 1);
    edge(pen, curve, middle, to, side, depth + 1);
  }
}
