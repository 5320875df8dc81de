import type { Point } from './point.ts';

/** How far each corner of a line lies along it. */
function lengthsOf(line: readonly Point[]): number[] {
  const lengths = [0];
  for (let n = 1; n < line.length; n += 1) {
    const [a, b] = [line[n - 1] as Point, line[n] as Point];
    lengths.push((lengths[n - 1] as number) + Math.hypot(b.x - a.x, b.y - a.y));
  }
  return lengths;
}

/**
 * Points at even distances along a line, its first and its last among them.
 *
 * @param count at least 2
 * @throws RangeError where the line has no length
 */
export function pointsAlong(line: readonly Point[], count: number): Point[] {
  const lengths = lengthsOf(line);
  const whole = lengths.at(-1) ?? 0;
  if (!(whole > 0)) throw new RangeError('the line has no length');
  let n = 1;
  return Array.from({ length: count }, (_, i) => {
    const at = (whole * i) / (count - 1);
    while (n < line.length - 1 && (lengths[n] as number) < at) n += 1;
    const [a, b] = [line[n - 1] as Point, line[n] as Point];
    const [from, to] = [lengths[n - 1] as number, lengths[n] as number];
    const share = to > from ? Math.min(1, (at - from) / (to - from)) : 0;
    return { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share };
  });
}

/** A line drawn by hand without the hand's trembling: each place the mean of those near it along the line, the ends kept. */
export function smoothPolyline(line: readonly Point[], points = 128, reach = 4): Point[] {
  const even = pointsAlong(line, points);
  return even.map((_, n) => {
    const near = Math.min(reach, n, points - 1 - n);
    const around = even.slice(n - near, n + near + 1);
    return {
      x: around.reduce((sum, { x }) => sum + x, 0) / around.length,
      y: around.reduce((sum, { y }) => sum + y, 0) / around.length,
    };
  });
}

/**
 * A closed line drawn by hand without the hand's trembling, its end joined to its beginning: each place the mean of those near it.
 *
 * @param points that it then has, as far apart as each other along the line
 * @param reach so many points to either side count
 * @throws RangeError where the line has no length
 */
export function smoothLoop(line: readonly Point[], points = 96, reach = 2): Point[] {
  const even = pointsAlong([...line, line[0] as Point], points + 1).slice(0, -1);
  const around = Array.from({ length: 2 * reach + 1 }, (_, k) => k - reach);
  const mean = (n: number, axis: 'x' | 'y'): number =>
    around.reduce((sum, k) => sum + (even[(n + k + points) % points] as Point)[axis], 0) / around.length;
  return even.map((_, n) => ({ x: mean(n, 'x'), y: mean(n, 'y') }));
}

/** The fewest points of a line that stay within `off` of it (Ramer 1972; Douglas and Peucker 1973). */
export function simplifyLine(line: readonly Point[], off: number): Point[] {
  const keep = new Set([0, line.length - 1]);
  const spans: [number, number][] = [[0, line.length - 1]];
  for (let span = spans.pop(); span; span = spans.pop()) {
    const [from, to] = span;
    const [p, q] = [line[from] as Point, line[to] as Point];
    const length = Math.hypot(q.x - p.x, q.y - p.y);
    let [most, at] = [off, -1];
    for (let n = from + 1; n < to; n += 1) {
      const r = line[n] as Point;
      const away =
        length > 0
          ? Math.abs((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x)) / length
          : Math.hypot(r.x - p.x, r.y - p.y);
      if (away > most) [most, at] = [away, n];
    }
    if (at >= 0) {
      keep.add(at);
      spans.push([from, at], [at, to]);
    }
  }
  return [...keep].sort((a, b) => a - b).map((n) => line[n] as Point);
}
