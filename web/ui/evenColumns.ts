/** A ticket's inner width, the gap between its buttons, and what a letter and the edges of a button take, CSS pixels. */
const [ROOM, GAP, LETTER, EDGES] = [264, 4, 7.2, 6];

/** In how many columns buttons of a ticket stand, so that every name fits and the rows are as full as can be. */
export function evenColumns(names: readonly string[]): number {
  const longest = Math.max(1, ...names.map(({ length }) => length));
  const most = Math.floor((ROOM + GAP) / (longest * LETTER + EDGES + GAP));
  const rows = Math.ceil(names.length / Math.max(1, most));
  return Math.max(1, Math.ceil(names.length / rows));
}
