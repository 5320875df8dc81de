import type { Command, Design } from '../document/index.ts';
import { symmetryOpsOf } from '../lattice/index.ts';

/**
 * The command that moves all that is laid by half a cell across and down, so that what was at the edges lies in the middle. Undefined
 * where cells are mirrored or rotated: what is moved there looks another.
 */
export function swapHalves({ repeat, placements }: Pick<Design, 'repeat' | 'placements'>): Command | undefined {
  if (symmetryOpsOf(repeat).length > 1) return undefined;
  const [dx, dy] = [repeat.width / 2, repeat.height / 2];
  return {
    type: 'change',
    changes: Object.fromEntries(placements.map(({ id, x, y }) => [id, { x: x + dx, y: y + dy }])),
  };
}
