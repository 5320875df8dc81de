import { type Box, IDENTITY, type Matrix } from '../geometry/index.ts';
import type { PathText } from './artwork.ts';

/** Anything that takes path commands the way a Canvas path does. */
export interface PathSink {
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  quadraticCurveTo(cx: number, cy: number, x: number, y: number): void;
  bezierCurveTo(c1x: number, c1y: number, c2x: number, c2y: number, x: number, y: number): void;
  closePath(): void;
}

const ARITY: Readonly<Record<string, number>> = { M: 2, L: 2, Q: 4, C: 6, Z: 0 };
/** Any letter, so that one that is no command is noticed; e belongs to numbers. */
const TOKEN = /[a-df-z]|[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi;

/**
 * Sends the commands of a path to `sink`.
 *
 * @throws SyntaxError naming what was found, where the text holds anything but absolute M, L, Q, C and Z
 */
export function tracePath(text: PathText, sink: PathSink): void {
  const tokens = text.match(TOKEN) ?? [];
  let at = 0;
  const n = (): number => {
    const value = Number(tokens[at]);
    if (!Number.isFinite(value)) throw new SyntaxError(`expected a number in a path, got ${tokens[at] ?? 'its end'}`);
    at += 1;
    return value;
  };
  while (at < tokens.length) {
    const command = tokens[at] as string;
    if (ARITY[command] === undefined) throw new SyntaxError(`expected M, L, Q, C or Z in a path, got ${command}`);
    at += 1;
    if (command === 'M') sink.moveTo(n(), n());
    else if (command === 'L') sink.lineTo(n(), n());
    else if (command === 'Q') sink.quadraticCurveTo(n(), n(), n(), n());
    else if (command === 'C') sink.bezierCurveTo(n(), n(), n(), n(), n(), n());
    else sink.closePath();
  }
}

/** The outline of a box. */
export function rectanglePath({ left, top, right, bottom }: Box): PathText {
  return `M ${left} ${top} L ${right} ${top} L ${right} ${bottom} L ${left} ${bottom} Z`;
}

/** The exact bounds of the path's outline under a map, curves included; undefined for a path that draws nothing. */
export function pathBounds(text: PathText, matrix: Matrix = IDENTITY): Box | undefined {
  const [a, b, c, d, e, f] = matrix;
  let left = Infinity;
  let top = Infinity;
  let right = -Infinity;
  let bottom = -Infinity;
  let x = 0;
  let y = 0;
  const add = (px: number, py: number): void => {
    left = Math.min(left, px);
    top = Math.min(top, py);
    right = Math.max(right, px);
    bottom = Math.max(bottom, py);
  };
  const to = (px: number, py: number): void => {
    add(px, py);
    x = px;
    y = py;
  };
  const curve = (c1x: number, c1y: number, c2x: number, c2y: number, px: number, py: number): void => {
    for (const t of [...turningPoints(x, c1x, c2x, px), ...turningPoints(y, c1y, c2y, py)])
      add(cubicAt(t, x, c1x, c2x, px), cubicAt(t, y, c1y, c2y, py));
    to(px, py);
  };
  const mapX = (px: number, py: number): number => a * px + c * py + e;
  const mapY = (px: number, py: number): number => b * px + d * py + f;
  const mapTo = (px: number, py: number): void => to(mapX(px, py), mapY(px, py));
  tracePath(text, {
    moveTo: mapTo,
    lineTo: mapTo,
    quadraticCurveTo(px, py, qx, qy) {
      const [cx, cy, ex, ey] = [mapX(px, py), mapY(px, py), mapX(qx, qy), mapY(qx, qy)];
      // A quadratic is the cubic whose controls lie two thirds of the way to its own.
      curve(x + (2 / 3) * (cx - x), y + (2 / 3) * (cy - y), ex + (2 / 3) * (cx - ex), ey + (2 / 3) * (cy - ey), ex, ey);
    },
    bezierCurveTo(px, py, qx, qy, rx, ry) {
      curve(mapX(px, py), mapY(px, py), mapX(qx, qy), mapY(qx, qy), mapX(rx, ry), mapY(rx, ry));
    },
    closePath: () => undefined,
  });
  return left <= right ? { left, top, right, bottom } : undefined;
}

function cubicAt(t: number, p0: number, p1: number, p2: number, p3: number): number {
  const u = 1 - t;
  return u * u * u * p0 + 3 * u * u * t * p1 + 3 * u * t * t * p2 + t * t * t * p3;
}

/** Parameters in (0, 1) at which one coordinate of a cubic stands still: roots of its derivative, a quadratic. */
function turningPoints(p0: number, p1: number, p2: number, p3: number): number[] {
  const a = p3 - 3 * p2 + 3 * p1 - p0;
  const b = 2 * (p2 - 2 * p1 + p0);
  const c = p1 - p0;
  if (Math.abs(a) < 1e-12) return b === 0 ? [] : [-c / b].filter(inside);
  const under = b * b - 4 * a * c;
  if (under < 0) return [];
  const root = Math.sqrt(under);
  return [(-b + root) / (2 * a), (-b - root) / (2 * a)].filter(inside);
}

function inside(t: number): boolean {
  return t > 0 && t < 1;
}
