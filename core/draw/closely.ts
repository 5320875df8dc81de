import type { Point } from '../geometry/index.ts';

/** A closed line with points between those that lie farther apart. */
export function closely(loop: readonly Point[], far: number): Point[] {
  return loop.flatMap((from, n) => {
    const to = loop[(n + 1) % loop.length] as Point;
    const parts = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / far));
    return Array.from({ length: parts }, (_, k) => ({
      x: from.x + ((to.x - from.x) * k) / parts,
      y: from.y + ((to.y - from.y) * k) / parts,
    }));
  });
}
