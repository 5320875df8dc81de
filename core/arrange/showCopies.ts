import type { Command, Design, PlacementChange } from '../document/index.ts';

/**
 * The command that shows copies of motifs in some placements: nothing looks otherwise, so an ink that prints something in a motif
 * alone prints it in the copy too.
 *
 * @param copies the id of the copy of each motif
 */
export function showCopies(design: Design, ids: readonly string[], copies: ReadonlyMap<string, string>): Command {
  const changes: Record<string, PlacementChange> = {};
  for (const { id, motif } of design.placements) {
    const copy = copies.get(motif);
    if (copy !== undefined && ids.includes(id)) changes[id] = { motif: copy };
  }
  const inks = design.inks.flatMap(({ id, only = [] }) => {
    const more = only.flatMap(({ motif, colour }) => {
      const copy = copies.get(motif);
      return copy === undefined ? [] : [{ motif: copy, colour }];
    });
    return more.length > 0 ? [[id, { only: [...only, ...more] }] as const] : [];
  });
  const change: Command = { type: 'change', changes };
  if (inks.length === 0) return change;
  return { type: 'all', commands: [{ type: 'change-inks', changes: Object.fromEntries(inks) }, change] };
}
