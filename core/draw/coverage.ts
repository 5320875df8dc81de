import type { Box, Point } from '../geometry/index.ts';

/** Closed polygons that are filled as one, mm of the plane. */
export interface FilledLoops {
  readonly loops: readonly (readonly Point[])[];
  readonly rule: 'nonzero' | 'evenodd';
  /** Rubbed out: what lies below it is not covered any more. */
  readonly clears?: boolean;
}

/** A square window of the plane in places, and which of them are covered. */
export interface Coverage {
  /** Places along each side. */
  readonly side: number;
  readonly left: number;
  readonly top: number;
  /** mm from one place to the next. */
  readonly step: number;
  /** 1 where it is covered; row after row. */
  readonly covered: Uint8Array;
}

/**
 * Which places of a window polygons cover, one after another: those whose middle lies in one, and all that an edge goes through, so that the thinnest line
 * leaves no way through itself.
 */
export function coverageOf(filled: readonly FilledLoops[], window: Box, side: number): Coverage {
  const step = (window.right - window.left) / side;
  const coverage = { side, left: window.left, top: window.top, step, covered: new Uint8Array(side * side) };
  for (const each of filled) {
    fillRows(coverage, each);
    if (!each.clears) for (const loop of each.loops) markEdges(coverage, loop);
  }
  return coverage;
}

function fillRows({ side, left, top, step, covered }: Coverage, { loops, rule, clears }: FilledLoops): void {
  const crossings: { x: number; winds: number }[][] = Array.from({ length: side }, () => []);
  for (const loop of loops)
    loop.forEach((from, n) => {
      const to = loop[(n + 1) % loop.length] as Point;
      if (from.y === to.y) return;
      const [upper, lower] = from.y < to.y ? [from, to] : [to, from];
      const first = Math.max(0, Math.ceil((upper.y - top) / step - 0.5));
      const last = Math.min(side - 1, Math.ceil((lower.y - top) / step - 0.5) - 1);
      for (let row = first; row <= last; row += 1) {
        const y = top + (row + 0.5) * step;
        const x = upper.x + ((lower.x - upper.x) * (y - upper.y)) / (lower.y - upper.y);
        crossings[row]?.push({ x, winds: from.y < to.y ? 1 : -1 });
      }
    });
  crossings.forEach((row, n) => {
    row.sort((a, b) => a.x - b.x);
    let winding = 0;
    row.forEach(({ x, winds }, k) => {
      winding += winds;
      const next = row[k + 1];
      const isIn = rule === 'nonzero' ? winding !== 0 : (k + 1) % 2 === 1;
      if (!next || !isIn) return;
      const from = Math.max(0, Math.ceil((x - left) / step - 0.5));
      const to = Math.min(side - 1, Math.floor((next.x - left) / step - 0.5));
      if (to >= from) covered.fill(clears ? 0 : 1, n * side + from, n * side + to + 1);
    });
  });
}

function markEdges({ side, left, top, step, covered }: Coverage, loop: readonly Point[]): void {
  loop.forEach((from, n) => {
    const to = loop[(n + 1) % loop.length] as Point;
    const [x, y] = [(from.x - left) / step, (from.y - top) / step];
    const [dx, dy] = [(to.x - from.x) / step, (to.y - from.y) / step];
    if (Math.max(x, x + dx) < 0 || Math.max(y, y + dy) < 0) return;
    if (Math.min(x, x + dx) >= side || Math.min(y, y + dy) >= side) return;
    // Half a place at a time, so that none is stepped over but at its very corner.
    const count = Math.max(1, Math.ceil(2 * Math.max(Math.abs(dx), Math.abs(dy))));
    for (let k = 0; k <= count; k += 1) {
      const [column, row] = [Math.floor(x + (dx * k) / count), Math.floor(y + (dy * k) / count)];
      if (column >= 0 && row >= 0 && column < side && row < side) covered[row * side + column] = 1;
    }
  });
}
