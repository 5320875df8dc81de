import type { Box } from '../geometry/index.ts';

/** The connected parts of a mask, as runs of set places along rows; memory goes with the runs, not the places. */
export interface ConnectedComponents {
  /** Run n covers `from[n] <= x < to[n]` of row `row[n]` and belongs to part `part[n]`. */
  readonly row: readonly number[];
  readonly from: readonly number[];
  readonly to: readonly number[];
  readonly part: Int32Array;
  /** Places in each part, and the box around it. */
  readonly areas: Float64Array;
  readonly boxes: readonly Box[];
}

/**
 * Finds the connected parts of a mask in one pass over its runs (union-find with path halving).
 *
 * @param set one byte a place, not 0 where it is set
 * @param diagonal whether places that touch at a corner alone are connected
 */
export function labelComponents(
  set: Uint8Array,
  width: number,
  height: number,
  diagonal: boolean,
): ConnectedComponents {
  const row: number[] = [];
  const from: number[] = [];
  const to: number[] = [];
  const parent: number[] = [];
  const root = (n: number): number => {
    let at = n;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at] as number] as number;
      at = parent[at] as number;
    }
    return at;
  };
  const reach = diagonal ? 1 : 0;
  let above = 0;
  for (let y = 0; y < height; y += 1) {
    const first = row.length;
    let look = above;
    for (let x = 0; x < width; x += 1) {
      if (!set[y * width + x]) continue;
      const start = x;
      while (x < width && set[y * width + x]) x += 1;
      const n = row.length;
      row.push(y);
      from.push(start);
      to.push(x);
      parent.push(n);
      while (look < first && (to[look] as number) + reach <= start) look += 1;
      for (let k = look; k < first && (from[k] as number) < x + reach; k += 1) {
        const [a, b] = [root(n), root(k)];
        if (a !== b) parent[Math.max(a, b)] = Math.min(a, b);
      }
    }
    above = first;
  }
  return numbered(row, from, to, root);
}

function numbered(row: number[], from: number[], to: number[], root: (n: number) => number): ConnectedComponents {
  const part = new Int32Array(row.length);
  const areas: number[] = [];
  const boxes: Box[] = [];
  for (let n = 0; n < row.length; n += 1) {
    const r = root(n);
    const [y, start, end] = [row[n] as number, from[n] as number, to[n] as number];
    if (r === n) {
      part[n] = areas.length;
      areas.push(end - start);
      boxes.push({ left: start, top: y, right: end, bottom: y + 1 });
      continue;
    }
    // The root is the first run of its part, so it has its number already.
    const p = part[r] as number;
    part[n] = p;
    areas[p] = (areas[p] as number) + end - start;
    const box = boxes[p] as Box;
    boxes[p] = { left: Math.min(box.left, start), top: box.top, right: Math.max(box.right, end), bottom: y + 1 };
  }
  return { row, from, to, part, areas: Float64Array.from(areas), boxes };
}
