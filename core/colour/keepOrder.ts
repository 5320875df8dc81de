/**
 * Changes values as little as it can be done (least squares) so that they rise in the order given and the fixed ones stay:
 * the pooling of adjacent violators (Ayer et al., 1955) between fixed values, to which the others are bounded.
 *
 * @param values in the order in which they have to rise
 * @param fixed which of them may not change; those have to rise already
 */
export function keepOrder(values: readonly number[], fixed: readonly boolean[] = []): readonly number[] {
  const kept: number[] = [];
  let begin = 0;
  let low = -Infinity;
  for (let n = 0; n <= values.length; n++) {
    if (n < values.length && !fixed[n]) continue;
    const high = n < values.length ? (values[n] as number) : Infinity;
    kept.push(...isotonic(values.slice(begin, n)).map((value) => Math.min(high, Math.max(low, value))));
    if (n < values.length) kept.push(high);
    [begin, low] = [n + 1, high];
  }
  return kept;
}

/** Means of neighbours that do not rise, until all do. */
function isotonic(values: readonly number[]): number[] {
  const blocks: { sum: number; count: number }[] = [];
  for (const value of values) {
    let block = { sum: value, count: 1 };
    for (let last = blocks.at(-1); last && last.sum / last.count > block.sum / block.count; last = blocks.at(-1)) {
      blocks.pop();
      block = { sum: last.sum + block.sum, count: last.count + block.count };
    }
    blocks.push(block);
  }
  return blocks.flatMap(({ sum, count }) => new Array<number>(count).fill(sum / count));
}
