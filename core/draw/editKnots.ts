import type { Point } from '../geometry/index.ts';
import { cornerAt, isSmooth, type Knot, type KnotLine, onCurve, splitCurve } from './pathKnots.ts';

/** A knot by the numbers of its line and within it. */
export interface KnotIndex {
  readonly line: number;
  readonly knot: number;
}

type Lines = readonly KnotLine[];

/** Places along a curve at which it is measured, and among which the nearest is looked for. */
const MEASURED = 24;

export const knotKey = ({ line, knot }: KnotIndex): string => `${line} ${knot}`;

/** Changes knots that are selected. */
function changed(lines: Lines, selected: ReadonlySet<string>, change: (knot: Knot, at: KnotIndex) => Knot): Lines {
  return lines.map((each, line) => ({
    ...each,
    knots: each.knots.map((one, knot) => (selected.has(knotKey({ line, knot })) ? change(one, { line, knot }) : one)),
  }));
}

/** Moves knots with their handles. */
export function moveKnots(lines: Lines, selected: ReadonlySet<string>, { x, y }: Point): Lines {
  const moved = (p: Point): Point => ({ x: p.x + x, y: p.y + y });
  return changed(lines, selected, (knot) => ({ ...moved(knot), into: moved(knot.into), out: moved(knot.out) }));
}

/** Moves a handle of a knot; through a smooth one the other turns along, unless the two are parted. */
export function moveHandle(lines: Lines, index: KnotIndex, which: 'into' | 'out', to: Point, parted: boolean): Lines {
  return changed(lines, new Set([knotKey(index)]), (knot) => {
    const other = which === 'into' ? 'out' : 'into';
    if (parted || !isSmooth(knot)) return { ...knot, [which]: to };
    const length = Math.hypot(knot[other].x - knot.x, knot[other].y - knot.y);
    const [dx, dy] = [knot.x - to.x, knot.y - to.y];
    const far = Math.hypot(dx, dy);
    if (far < 1e-9) return { ...knot, [which]: to };
    return { ...knot, [which]: to, [other]: { x: knot.x + (dx / far) * length, y: knot.y + (dy / far) * length } };
  });
}

/** Adds a knot on the curve after a knot, which leaves the curve as it is. @param t where on it, 0 to 1 */
export function insertKnot(lines: Lines, { line, knot }: KnotIndex, t: number): Lines {
  return lines.map((each, n) => {
    if (n !== line) return each;
    const next = (knot + 1) % each.knots.length;
    const [from, between, to] = splitCurve(each.knots[knot] as Knot, each.knots[next] as Knot, t);
    const knots = each.knots.map((one, m) => (m === knot ? from : m === next ? to : one));
    return { ...each, knots: [...knots.slice(0, knot + 1), between, ...knots.slice(knot + 1)] };
  });
}

/** Takes knots away; lines that have fewer than two left go. */
export function removeKnots(lines: Lines, selected: ReadonlySet<string>): Lines {
  return lines
    .map((each, line) => ({ ...each, knots: each.knots.filter((_, knot) => !selected.has(knotKey({ line, knot }))) }))
    .filter(({ knots }) => knots.length > 1);
}

/** The knots before and after one, on its line; undefined beyond an end. */
function neighbours({ knots, closed }: KnotLine, n: number): [Knot | undefined, Knot | undefined] {
  const count = knots.length;
  return closed ? [knots[(n + count - 1) % count], knots[(n + 1) % count]] : [knots[n - 1], knots[n + 1]];
}

/** Has curves go through knots without a corner: along the line from the one before to the one after, a third of the way to each. */
export function smoothKnots(lines: Lines, selected: ReadonlySet<string>): Lines {
  return changed(lines, selected, (knot, { line, knot: n }) => {
    const [before, after] = neighbours(lines[line] as KnotLine, n);
    const [from, to] = [before ?? knot, after ?? knot];
    const chord = Math.hypot(to.x - from.x, to.y - from.y);
    if (chord < 1e-9) return cornerAt(knot);
    const [ux, uy] = [(to.x - from.x) / chord, (to.y - from.y) / chord];
    const far = (other: Knot | undefined): number => (other ? Math.hypot(other.x - knot.x, other.y - knot.y) / 3 : 0);
    return {
      ...knot,
      into: { x: knot.x - ux * far(before), y: knot.y - uy * far(before) },
      out: { x: knot.x + ux * far(after), y: knot.y + uy * far(after) },
    };
  });
}

/** Makes knots corners that straight lines meet in. */
export function sharpenKnots(lines: Lines, selected: ReadonlySet<string>): Lines {
  return changed(lines, selected, cornerAt);
}

/** Opens a closed line at a knot, or parts an open one there: the knot is there twice. */
export function cutLine(lines: Lines, { line, knot }: KnotIndex): Lines {
  return lines.flatMap((each, n) => {
    if (n !== line) return [each];
    const { knots, closed } = each;
    const cut = knots[knot] as Knot;
    const [end, start] = [
      { ...cut, out: { x: cut.x, y: cut.y } },
      { ...cut, into: { x: cut.x, y: cut.y } },
    ];
    if (closed)
      return [{ ...each, closed: false, knots: [start, ...knots.slice(knot + 1), ...knots.slice(0, knot), end] }];
    if (knot === 0 || knot === knots.length - 1) return [each];
    return [
      { ...each, knots: [...knots.slice(0, knot), end] },
      { ...each, knots: [start, ...knots.slice(knot + 1)] },
    ];
  });
}

/** Joins two ends: of one open line, which is then closed, or of two of the same path, which are then one. @returns undefined where they are no such ends */
export function joinEnds(lines: Lines, a: KnotIndex, b: KnotIndex): Lines | undefined {
  const [first, second] = [lines[a.line], lines[b.line]];
  const isEnd = (each: KnotLine | undefined, n: number): boolean =>
    each !== undefined && !each.closed && (n === 0 || n === each.knots.length - 1);
  if (!first || !second || first.path !== second.path) return undefined;
  if (!isEnd(first, a.knot) || !isEnd(second, b.knot)) return undefined;
  if (a.line === b.line) {
    if (a.knot === b.knot) return undefined;
    return lines.map((each, n) => (n === a.line ? { ...each, closed: true } : each));
  }
  const head = a.knot === 0 ? reversed(first) : first;
  const tail = b.knot === 0 ? second : reversed(second);
  const joined = { ...head, knots: [...head.knots, ...tail.knots] };
  return lines.flatMap((each, n) => (n === a.line ? [joined] : n === b.line ? [] : [each]));
}

function reversed(line: KnotLine): KnotLine {
  return { ...line, knots: line.knots.map(({ into, out, ...p }) => ({ ...p, into: out, out: into })).reverse() };
}

/** Turns lines about, so that they go the other way. @param which by their numbers */
export function reverseLines(lines: Lines, which: ReadonlySet<number>): Lines {
  return lines.map((each, n) => (which.has(n) ? reversed(each) : each));
}

/** Lays the knots of lines evenly along them, as many as there are, with curves through them. @param which by their numbers */
export function evenOut(lines: Lines, which: ReadonlySet<number>): Lines {
  return lines.map((each, n) => {
    const { knots, closed } = each;
    if (!which.has(n) || knots.length < 3) return each;
    const pieces = closed ? knots.length : knots.length - 1;
    const trail: Point[] = [];
    for (let k = 0; k < pieces; k += 1)
      for (let m = 0; m < MEASURED; m += 1)
        trail.push(onCurve(knots[k] as Knot, knots[(k + 1) % knots.length] as Knot, m / MEASURED));
    trail.push(knots[closed ? 0 : knots.length - 1] as Knot);
    const laid = placesAlong(trail, pieces).slice(0, closed ? pieces : pieces + 1);
    const even: KnotLine = { ...each, knots: laid.map(cornerAt) };
    return smoothKnots([even], new Set(laid.map((_, knot) => knotKey({ line: 0, knot }))))[0] as KnotLine;
  });
}

/** Places along a line that part it into equal lengths, its ends among them. */
function placesAlong(trail: readonly Point[], parts: number): Point[] {
  const lengths = [0];
  for (let n = 1; n < trail.length; n += 1) {
    const [p, q] = [trail[n - 1] as Point, trail[n] as Point];
    lengths.push((lengths[n - 1] as number) + Math.hypot(q.x - p.x, q.y - p.y));
  }
  const whole = lengths.at(-1) as number;
  let at = 0;
  return Array.from({ length: parts + 1 }, (_, n) => {
    const meant = (whole * n) / parts;
    while (at < trail.length - 2 && (lengths[at + 1] as number) < meant) at += 1;
    const [from, to] = [lengths[at] as number, lengths[at + 1] as number];
    const share = to > from ? Math.min(1, Math.max(0, (meant - from) / (to - from))) : 0;
    const [p, q] = [trail[at] as Point, trail[at + 1] as Point];
    return { x: p.x + (q.x - p.x) * share, y: p.y + (q.y - p.y) * share };
  });
}

/** The place on lines that is nearest to a point: after which knot, where on the curve from there, and how far away. */
export function nearestOnLines(
  lines: Lines,
  point: Point,
): { readonly index: KnotIndex; readonly t: number; readonly distance: number } | undefined {
  let best: { index: KnotIndex; t: number; distance: number } | undefined;
  lines.forEach(({ knots, closed }, line) => {
    const pieces = closed ? knots.length : knots.length - 1;
    for (let knot = 0; knot < pieces; knot += 1) {
      const [from, to] = [knots[knot] as Knot, knots[(knot + 1) % knots.length] as Knot];
      for (let m = 0; m <= MEASURED; m += 1) {
        const p = onCurve(from, to, m / MEASURED);
        const distance = Math.hypot(p.x - point.x, p.y - point.y);
        if (!best || distance < best.distance) best = { index: { line, knot }, t: m / MEASURED, distance };
      }
    }
  });
  return best;
}
