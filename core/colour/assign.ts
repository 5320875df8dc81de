/**
 * Pairs each row with a column of its own so that the costs add up to the least possible: the Hungarian method with
 * potentials, in O(rows² × columns) (Kuhn, 1955; Jonker and Volgenant, 1987).
 *
 * @param costs rows × columns, no more rows than columns; any finite numbers
 * @returns the column of each row
 * @throws RangeError where there are more rows than columns
 */
export function assign(costs: readonly (readonly number[])[]): readonly number[] {
  const rows = costs.length;
  const columns = costs[0]?.length ?? 0;
  if (rows > columns && rows > 0) throw new RangeError(`${rows} rows cannot each have one of ${columns} columns`);
  // Counted from 1: row 0 stands for the one that is being added, column 0 for where its search begins.
  const rowPotential = new Float64Array(rows + 1);
  const columnPotential = new Float64Array(columns + 1);
  const rowOf = new Int32Array(columns + 1);
  for (let row = 1; row <= rows; row++) {
    rowOf[0] = row;
    const least = new Float64Array(columns + 1).fill(Infinity);
    const before = new Int32Array(columns + 1);
    const isReached = new Uint8Array(columns + 1);
    let column = 0;
    // Grows the tree of tight pairs until it reaches a column that is free.
    do {
      isReached[column] = 1;
      const from = rowOf[column] as number;
      let delta = Infinity;
      let next = 0;
      for (let to = 1; to <= columns; to++) {
        if (isReached[to]) continue;
        const cost =
          (costs[from - 1]?.[to - 1] as number) - (rowPotential[from] as number) - (columnPotential[to] as number);
        if (cost < (least[to] as number)) {
          least[to] = cost;
          before[to] = column;
        }
        if ((least[to] as number) < delta) {
          delta = least[to] as number;
          next = to;
        }
      }
      for (let to = 0; to <= columns; to++) {
        if (isReached[to]) {
          const reached = rowOf[to] as number;
          rowPotential[reached] = (rowPotential[reached] as number) + delta;
          columnPotential[to] = (columnPotential[to] as number) - delta;
        } else least[to] = (least[to] as number) - delta;
      }
      column = next;
    } while (rowOf[column] !== 0);
    // Passes the pairs on along the way back.
    while (column !== 0) {
      const previous = before[column] as number;
      rowOf[column] = rowOf[previous] as number;
      column = previous;
    }
  }
  const columnOf = new Array<number>(rows).fill(-1);
  for (let column = 1; column <= columns; column++) {
    const row = rowOf[column] as number;
    if (row > 0) columnOf[row - 1] = column - 1;
  }
  return columnOf;
}
