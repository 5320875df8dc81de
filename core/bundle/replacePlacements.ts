import type { Command, Design, Placement } from '../document/index.ts';

/** The command that lays placements in the stead of others, where the topmost of those lay in the stack. */
export function replacePlacements(design: Design, ids: readonly string[], placements: readonly Placement[]): Command {
  const gone = new Set(ids);
  const topmost = design.placements.findLastIndex(({ id }) => gone.has(id));
  const first = design.placements.slice(0, topmost + 1).filter(({ id }) => !gone.has(id)).length;
  return {
    type: 'all',
    commands: [
      { type: 'remove', ids: [...ids] },
      { type: 'insert', placements: placements.map((placement, i) => ({ index: first + i, placement })) },
    ],
  };
}
