import type { Command, Design, Placement } from '../document/index.ts';
import type { Point } from '../geometry/index.ts';

/** The command that lays copies directly above what they are copies of, and the copies. */
export function duplicate(
  design: Design,
  ids: readonly string[],
  by: Point,
  newId: () => string,
): { command: Command; copies: Placement[] } {
  const held = new Set(ids);
  const copies: Placement[] = [];
  const placements = design.placements.flatMap((placement, index) => {
    if (!held.has(placement.id)) return [];
    const copy = { ...placement, id: newId(), x: placement.x + by.x, y: placement.y + by.y };
    copies.push(copy);
    return [{ index: index + copies.length, placement: copy }];
  });
  return { command: { type: 'insert', placements }, copies };
}
