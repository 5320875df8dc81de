/**
 * The path down a strip along which two pictures differ least, by dynamic programming: in each row the first column that is taken from the second picture,
 * one column more or less from row to row.
 *
 * @param cost how much the pictures differ at each place of the strip, row after row
 * @param closed whether the last row is followed by the first, to which the path then returns
 */
export function seamPath(cost: Float32Array, width: number, height: number, closed: boolean): Int32Array {
  if (!closed) return pathThrough(cost, width, height, 0, undefined);
  // Once round without minding where it begins says where the best path is half way round; it then has to come back to there.
  const half = Math.floor(height / 2);
  const open = pathThrough(cost, width, height, half, undefined);
  const at = open[(height - half) % height] as number;
  return pathThrough(cost, width, height, 0, at);
}

/** The best path from row `from` on, round and round; through column `fixed` in its first row, and next to it in its last, where one is given. Answered by row of the strip. */
function pathThrough(
  cost: Float32Array,
  width: number,
  height: number,
  from: number,
  fixed: number | undefined,
): Int32Array {
  // A cut before column c leaves c − 1 to the one picture and c to the other; it costs what both differ by at both.
  const edges = width + 1;
  const costAt = (row: number, column: number): number => {
    const at = ((row + from) % height) * width;
    const before = cost[at + Math.max(0, column - 1)] as number;
    const after = cost[at + Math.min(width - 1, column)] as number;
    return before + after;
  };
  let sums = new Float64Array(edges);
  const came = new Int8Array(edges * height);
  for (let column = 0; column < edges; column += 1)
    sums[column] = fixed === undefined || column === fixed ? costAt(0, column) : Infinity;
  for (let row = 1; row < height; row += 1) {
    const next = new Float64Array(edges);
    for (let column = 0; column < edges; column += 1) {
      let [best, step] = [sums[column] as number, 0];
      for (const by of [-1, 1]) {
        const sum = sums[column + by];
        if (sum !== undefined && sum < best) [best, step] = [sum, by];
      }
      next[column] = best + costAt(row, column);
      came[row * edges + column] = step;
    }
    sums = next;
  }
  let column = 0;
  for (let one = 0; one < edges; one += 1) {
    const isNext = fixed === undefined || Math.abs(one - fixed) <= 1;
    const isBetter = (sums[one] as number) < (sums[column] as number);
    const isLastNext = fixed === undefined || Math.abs(column - fixed) <= 1;
    if (isNext && (isBetter || !isLastNext)) column = one;
  }
  const path = new Int32Array(height);
  for (let row = height - 1; row >= 0; row -= 1) {
    path[(row + from) % height] = column;
    column += came[row * edges + column] as number;
  }
  return path;
}
