import type { Command } from '../document/command.ts';
import type { Design } from '../document/design.ts';

/** The command that brings placements to the front or the back of the stack, in the order they have among themselves. */
export function restack(design: Design, ids: readonly string[], to: 'front' | 'back'): Command {
  const held = new Set(ids);
  const moved = design.placements.filter(({ id }) => held.has(id));
  const first = to === 'back' ? 0 : design.placements.length - moved.length;
  return {
    type: 'all',
    commands: [
      { type: 'remove', ids: moved.map(({ id }) => id) },
      { type: 'insert', placements: moved.map((placement, i) => ({ index: first + i, placement })) },
    ],
  };
}
