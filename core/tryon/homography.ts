import type { Point } from '../geometry/index.ts';

/** Four corners, in order around the face: top left, top right, bottom right, bottom left as the cloth lies. */
export type Corners = readonly [Point, Point, Point, Point];

/** A projective map, row by row: x' = (a·x + b·y + c) / (g·x + h·y + i), y' = (d·x + e·y + f) / (g·x + h·y + i). */
export type Homography = readonly [
  a: number,
  b: number,
  c: number,
  d: number,
  e: number,
  f: number,
  g: number,
  h: number,
  i: number,
];

/** The least share of the square of its longest side that the triangle at a corner may cover, lest the corners lie in a line. */
const FLATTEST = 1e-4;

/** Says in a sentence why four corners are no face that can be seen, or nothing where they are one. */
export function cornersFault(corners: Corners): string | undefined {
  const longest = Math.max(...corners.map((p, n) => distance(p, corners[(n + 1) % 4] as Point)));
  const turns = corners.map((p, n) => {
    const [q, r] = [corners[(n + 1) % 4] as Point, corners[(n + 2) % 4] as Point];
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x);
  });
  if (turns.some((turn) => !(Math.abs(turn) > FLATTEST * longest * longest)))
    return 'Three of the four corners lie in a line. Drag one of them away from it.';
  if (turns.some((turn) => turn > 0 !== (turns[0] as number) > 0))
    return 'The sides cross or bend inwards. Put the corners in order around the face.';
  return undefined;
}

/**
 * The projective map from the rectangle (0, 0) to (width, height) onto four corners.
 *
 * After Heckbert, Fundamentals of Texture Mapping and Image Warping (1989), section 2.2.3.
 *
 * @throws RangeError where the corners are not those of a convex face
 */
export function homographyOnto(corners: Corners, width: number, height: number): Homography {
  const fault = cornersFault(corners);
  if (fault) throw new RangeError(fault);
  const [p0, p1, p2, p3] = corners;
  const [dx1, dx2, sx] = [p1.x - p2.x, p3.x - p2.x, p0.x - p1.x + p2.x - p3.x];
  const [dy1, dy2, sy] = [p1.y - p2.y, p3.y - p2.y, p0.y - p1.y + p2.y - p3.y];
  const den = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / den;
  const h = (dx1 * sy - sx * dy1) / den;
  return [
    (p1.x - p0.x + g * p1.x) / width,
    (p3.x - p0.x + h * p3.x) / height,
    p0.x,
    (p1.y - p0.y + g * p1.y) / width,
    (p3.y - p0.y + h * p3.y) / height,
    p0.y,
    g / width,
    h / height,
    1,
  ];
}

/** The map that undoes another: its adjugate, since a common factor changes nothing. */
export function invertHomography([a, b, c, d, e, f, g, h, i]: Homography): Homography {
  return [
    e * i - f * h,
    c * h - b * i,
    b * f - c * e,
    f * g - d * i,
    a * i - c * g,
    c * d - a * f,
    d * h - e * g,
    b * g - a * h,
    a * e - b * d,
  ];
}

/** Where a projective map takes a point. */
export function project([a, b, c, d, e, f, g, h, i]: Homography, { x, y }: Point): Point {
  const w = g * x + h * y + i;
  return { x: (a * x + b * y + c) / w, y: (d * x + e * y + f) / w };
}

const distance = (p: Point, q: Point): number => Math.hypot(p.x - q.x, p.y - q.y);
