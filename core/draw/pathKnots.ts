import { type Matrix, type Point, transform } from '../geometry/index.ts';
import { type PathText, Pen, tracePath } from '../motif/index.ts';

/** A point of an outline, and where its curve comes from and goes to: handles lie on the point where it is straight. */
export interface Knot extends Point {
  readonly into: Point;
  readonly out: Point;
}

/** One line of an outline. */
export interface KnotLine {
  /** Which path it belongs to, by number. */
  readonly path: number;
  readonly knots: readonly Knot[];
  readonly closed: boolean;
}

const at = ({ x, y }: Point): Point => ({ x, y });
const isAt = (p: Point, q: Point): boolean => Math.hypot(p.x - q.x, p.y - q.y) < 1e-6;
/** A knot without handles. */
export const cornerAt = ({ x, y }: Point): Knot => ({ x, y, into: { x, y }, out: { x, y } });
const mix = (p: Point, q: Point, t: number): Point => ({ x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t });

/** The lines of a path, which is the `number`th, by their points; quadratic curves become cubic ones, which are the same. */
export function knotsOf(path: PathText, number = 0): KnotLine[] {
  const lines: { path: number; knots: Knot[]; closed: boolean }[] = [];
  let line: { path: number; knots: Knot[]; closed: boolean } | undefined;
  let start: Point = { x: 0, y: 0 };
  const begin = (p: Point): void => {
    line = { path: number, knots: [cornerAt(p)], closed: false };
    lines.push(line);
  };
  const to = (out: Point, into: Point, p: Point): void => {
    if (!line) begin(start);
    const { knots } = line as { knots: Knot[] };
    const last = knots.length - 1;
    knots[last] = { ...(knots[last] as Knot), out };
    knots.push({ ...at(p), into, out: at(p) });
  };
  const end = (): Knot => line?.knots.at(-1) ?? cornerAt(start);
  tracePath(path, {
    moveTo(x, y) {
      start = { x, y };
      begin(start);
    },
    lineTo: (x, y) => to(at(end()), { x, y }, { x, y }),
    quadraticCurveTo(cx, cy, x, y) {
      const control = { x: cx, y: cy };
      to(mix(end(), control, 2 / 3), mix({ x, y }, control, 2 / 3), { x, y });
    },
    bezierCurveTo: (ax, ay, bx, by, x, y) => to({ x: ax, y: ay }, { x: bx, y: by }, { x, y }),
    closePath() {
      if (!line) return;
      const [first] = line.knots;
      const last = line.knots.at(-1);
      // A line that ends where it began has that point once.
      if (first && last && line.knots.length > 1 && isAt(first, last)) {
        line.knots.pop();
        line.knots[0] = { ...first, into: last.into };
      }
      line.closed = true;
      line = undefined;
    },
  });
  return lines.filter(({ knots }) => knots.length > 1);
}

export function pathOfKnots(lines: readonly KnotLine[]): PathText {
  const pen = new Pen();
  for (const { knots, closed } of lines) {
    const [first] = knots;
    if (!first || knots.length < 2) continue;
    pen.move(first.x, first.y);
    const count = closed ? knots.length : knots.length - 1;
    for (let n = 0; n < count; n += 1) {
      const from = knots[n] as Knot;
      const to = knots[(n + 1) % knots.length] as Knot;
      if (isAt(from.out, from) && isAt(to.into, to)) {
        if (n + 1 < knots.length) pen.line(to.x, to.y);
      } else pen.curve(from.out.x, from.out.y, to.into.x, to.into.y, to.x, to.y);
    }
    if (closed) pen.close();
  }
  return pen.toString();
}

export function movedKnot({ into, out, ...p }: Knot, matrix: Matrix): Knot {
  return { ...transform(matrix, p), into: transform(matrix, into), out: transform(matrix, out) };
}

/** Whether a curve goes through a knot without a corner. */
export function isSmooth(knot: Knot): boolean {
  const [a, b] = [
    { x: knot.x - knot.into.x, y: knot.y - knot.into.y },
    { x: knot.out.x - knot.x, y: knot.out.y - knot.y },
  ];
  const lengths = Math.hypot(a.x, a.y) * Math.hypot(b.x, b.y);
  return lengths > 1e-12 && (a.x * b.x + a.y * b.y) / lengths > 0.9998;
}

/** A place of the curve from one knot to the next, 0 to 1. */
export function onCurve(from: Knot, to: Knot, t: number): Point {
  const u = 1 - t;
  const [a, b, c, d] = [u ** 3, 3 * u * u * t, 3 * u * t * t, t ** 3];
  return {
    x: a * from.x + b * from.out.x + c * to.into.x + d * to.x,
    y: a * from.y + b * from.out.y + c * to.into.y + d * to.y,
  };
}

/** A curve as two with a knot between them (de Casteljau). */
export function splitCurve(from: Knot, to: Knot, t: number): [Knot, Knot, Knot] {
  const [p, q, r] = [mix(from, from.out, t), mix(from.out, to.into, t), mix(to.into, to, t)];
  const [into, out] = [mix(p, q, t), mix(q, r, t)];
  return [
    { ...from, out: p },
    { ...mix(into, out, t), into, out },
    { ...to, into: r },
  ];
}
