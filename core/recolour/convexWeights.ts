/** A point in OKLab. */
export type Lab = readonly [number, number, number];

/** How far what lies near is preferred to what lies far, where several mixtures come equally close. */
const NEARNESS = 1e-3;
/** Keeps the equations solvable where entries lie on a line or a plane. */
const RIDGE = 1e-9;
const CLOSE = 1e-12;

/**
 * The mixture of palette entries that comes nearest to a colour: weights of 0 to 1 that sum to 1. They minimise
 * |Σ wᵢpᵢ − c|² + ε Σ wᵢ|pᵢ − c|² for a small ε: of the mixtures that come equally near, the one of near entries, which inside the
 * palette's hull is that of the Delaunay tetrahedron around the colour (after Tan, Echevarria and Gingold, 2018). The weights change
 * continuously with the colour, and an entry itself has its own weight alone.
 *
 * By the method of active sets: an entry joins while the mixture improves, and leaves where its weight would fall below nothing.
 *
 * @param entries at least one
 * @returns finds the weights of a colour; the array is overwritten by the next
 */
export function convexWeights(entries: readonly Lab[]): (colour: Lab) => Float64Array {
  const count = entries.length;
  const weights = new Float64Array(count);
  /** The products of the entries as they are seen from the colour. */
  const products = new Float64Array(count * count);
  const dot = (i: number, j: number): number => products[i * count + j] as number;
  const slope = (i: number, active: readonly number[]): number => {
    let sum = NEARNESS * dot(i, i);
    for (const j of active) sum += 2 * (weights[j] as number) * dot(i, j);
    return sum;
  };
  return ([l, a, b]) => {
    for (let i = 0; i < count; i++) {
      const [pl, pa, pb] = entries[i] as Lab;
      for (let j = i; j < count; j++) {
        const [ql, qa, qb] = entries[j] as Lab;
        const product = (pl - l) * (ql - l) + (pa - a) * (qa - a) + (pb - b) * (qb - b);
        products[i * count + j] = product;
        products[j * count + i] = product;
      }
    }
    let nearest = 0;
    for (let i = 1; i < count; i++) if (dot(i, i) < dot(nearest, nearest)) nearest = i;
    weights.fill(0);
    weights[nearest] = 1;
    let active = [nearest];
    // Each round makes the mixture better, so none comes twice; the bound is for rounding alone.
    for (let round = 0; round < 8 * count; round++) {
      let level = 0;
      for (const i of active) level += (weights[i] as number) * slope(i, active);
      let joining = -1;
      let steepest = level - CLOSE;
      for (let i = 0; i < count; i++) {
        if (active.includes(i)) continue;
        const found = slope(i, active);
        if (found >= steepest) continue;
        joining = i;
        steepest = found;
      }
      if (joining < 0) break;
      active = settle([...active, joining], weights, dot);
    }
    return weights;
  };
}

/** Finds the best weights of the active entries; entries that would go below nothing leave. @returns those that stay */
function settle(active: number[], weights: Float64Array, dot: (i: number, j: number) => number): number[] {
  let staying = active;
  for (;;) {
    const best = bestWeights(staying, dot);
    let step = 1;
    let leaving = -1;
    for (const [n, i] of staying.entries()) {
      const [from, to] = [weights[i] as number, best[n] as number];
      if (to >= 0 || from - to <= 0) continue;
      const reach = from / (from - to);
      if (reach < step || leaving < 0) [step, leaving] = [Math.min(step, reach), i];
    }
    for (const [n, i] of staying.entries()) {
      const from = weights[i] as number;
      weights[i] = Math.max(0, from + step * ((best[n] as number) - from));
    }
    if (leaving < 0) return staying;
    weights[leaving] = 0;
    staying = staying.filter((i) => i !== leaving);
  }
}

/** The weights of a sum of 1 that are best where they may be below nothing: a small system of linear equations, by elimination. */
function bestWeights(active: readonly number[], dot: (i: number, j: number) => number): Float64Array {
  const n = active.length;
  const size = n + 1;
  const wide = size + 1;
  const rows = new Float64Array(size * wide);
  for (const [y, i] of active.entries()) {
    for (const [x, j] of active.entries()) rows[y * wide + x] = 2 * dot(i, j) + (x === y ? RIDGE : 0);
    rows[y * wide + n] = 1;
    rows[n * wide + y] = 1;
    rows[y * wide + size] = -NEARNESS * dot(i, i);
  }
  rows[n * wide + size] = 1;
  for (let column = 0; column < size; column++) {
    let pivot = column;
    for (let y = column + 1; y < size; y++)
      if (Math.abs(rows[y * wide + column] as number) > Math.abs(rows[pivot * wide + column] as number)) pivot = y;
    for (let x = column; x < wide; x++) {
      const [upper, lower] = [column * wide + x, pivot * wide + x];
      [rows[upper], rows[lower]] = [rows[lower] as number, rows[upper] as number];
    }
    const top = rows[column * wide + column] as number;
    for (let y = 0; y < size; y++) {
      if (y === column) continue;
      const share = (rows[y * wide + column] as number) / top;
      if (share === 0) continue;
      for (let x = column; x < wide; x++) {
        const at = y * wide + x;
        rows[at] = (rows[at] as number) - share * (rows[column * wide + x] as number);
      }
    }
  }
  return Float64Array.from({ length: n }, (_, y) => (rows[y * wide + size] as number) / (rows[y * wide + y] as number));
}
