/** The gap between buttons, and what a letter and the edges of a button take, CSS pixels. */
const [GAP, LETTER, EDGES] = [4, 7.2, 6];

/** The inner widths of a ticket and of a wide dialog, CSS pixels. */
export const ROOMS = { ticket: 264, dialog: 620 } as const;

/**
 * In how many columns buttons stand, so that every name fits and the rows are as full as can be.
 *
 * @param room their width in all, CSS pixels
 */
export function evenColumns(names: readonly string[], room: number): number {
  const longest = Math.max(1, ...names.map(({ length }) => length));
  const most = Math.floor((room + GAP) / (longest * LETTER + EDGES + GAP));
  const rows = Math.max(1, Math.ceil(names.length / Math.max(1, most)));
  return Math.max(1, Math.ceil(names.length / rows));
}
