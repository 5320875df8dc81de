import type { Point } from '../geometry/index.ts';
import type { PathText } from './artwork.ts';

/** Handles of a cubic that is a quarter of a circle, as a share of the radius: 4/3·(√2 − 1). */
export const QUARTER = (4 / 3) * (Math.SQRT2 - 1);

const text = (n: number): string => String(Math.round(n * 1e6) / 1e6 + 0);

/** Writes a path, absolute commands only. */
export class Pen {
  readonly #parts: string[] = [];

  move(x: number, y: number): this {
    return this.#add('M', x, y);
  }

  line(x: number, y: number): this {
    return this.#add('L', x, y);
  }

  curve(x1: number, y1: number, x2: number, y2: number, x: number, y: number): this {
    return this.#add('C', x1, y1, x2, y2, x, y);
  }

  quad(x1: number, y1: number, x: number, y: number): this {
    return this.#add('Q', x1, y1, x, y);
  }

  close(): this {
    this.#parts.push('Z');
    return this;
  }

  /** A whole ellipse, clockwise on screen, or against the clock to make a hole. */
  ellipse(x: number, y: number, rx: number, ry: number, hole = false): this {
    const s = hole ? -1 : 1;
    const [hx, hy] = [rx * QUARTER, ry * QUARTER * s];
    return this.move(x + rx, y)
      .curve(x + rx, y + hy, x + hx, y + ry * s, x, y + ry * s)
      .curve(x - hx, y + ry * s, x - rx, y + hy, x - rx, y)
      .curve(x - rx, y - hy, x - hx, y - ry * s, x, y - ry * s)
      .curve(x + hx, y - ry * s, x + rx, y - hy, x + rx, y)
      .close();
  }

  /**
   * A closed line through the points.
   *
   * @param points clockwise on screen
   * @param smooth 1 for a Catmull-Rom spline, 0 for straight lines, or between
   * @param bulge how far each side bows out, as a share of half its length: 1 for half circles, below 0 inwards
   */
  loop(points: readonly Point[], smooth: number, bulge = 0): this {
    const at = (i: number): Point => points[(i + points.length) % points.length] as Point;
    this.move(at(0).x, at(0).y);
    for (let i = 0; i < points.length; i += 1) {
      const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
      const k = smooth / 6;
      if (smooth === 0 && bulge === 0) {
        this.line(p2.x, p2.y);
        continue;
      }
      const [bow1, bow2] = bows(p1, p2, bulge);
      // A straight line as a curve, where it is not smooth, to which the bow is added.
      const [from, to] =
        smooth === 0
          ? [
              { x: (p2.x - p1.x) / 3, y: (p2.y - p1.y) / 3 },
              { x: (p1.x - p2.x) / 3, y: (p1.y - p2.y) / 3 },
            ]
          : [
              { x: (p2.x - p0.x) * k, y: (p2.y - p0.y) * k },
              { x: (p1.x - p3.x) * k, y: (p1.y - p3.y) * k },
            ];
      this.curve(
        p1.x + from.x + bow1.x,
        p1.y + from.y + bow1.y,
        p2.x + to.x + bow2.x,
        p2.y + to.y + bow2.y,
        p2.x,
        p2.y,
      );
    }
    return this.close();
  }

  toString(): PathText {
    return this.#parts.join(' ');
  }

  #add(command: string, ...numbers: number[]): this {
    this.#parts.push(command, ...numbers.map(text));
    return this;
  }
}

/** A point so far from the middle, at an angle in degrees clockwise from straight up. */
export function around(radius: number, degrees: number): Point {
  const angle = ((degrees - 90) * Math.PI) / 180;
  return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
}

/**
 * By how much the two handles of a straight side are moved to make it an arc of a circle: of half the angle 2 atan(bulge), with
 * handles 4/3 tan(angle / 2) of the radius long, as an arc is drawn by a cubic curve.
 */
function bows(from: Point, to: Point, bulge: number): readonly [Point, Point] {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const along = -(bulge ** 2) / 3;
  const out = (2 * bulge) / 3;
  return [
    { x: along * dx + out * dy, y: along * dy - out * dx },
    { x: -along * dx + out * dy, y: -along * dy - out * dx },
  ];
}
