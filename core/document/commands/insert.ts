import { insertSchema, type removeSchema } from './stackSchemas.ts';
import { latticeOf, toFundamentalDomain } from '../../lattice/index.ts';
import { sortByLayer } from '../layer.ts';
import { type Placement } from '../placement.ts';
import { CommandError, type CommandKind, type CommandOf, countMotifs } from './commandKind.ts';
import { placementIndex } from './placementIndex.ts';

/** Lays placements at their places in the stacking order. */
export const insert: CommandKind<typeof insertSchema, CommandOf<{ schema: typeof removeSchema }>> = {
  schema: insertSchema,
  apply(design, { placements }) {
    const lattice = latticeOf(design.repeat);
    const ids = new Set(placementIndex(design.placements).keys());
    const layers = new Set(design.layers.map(({ id }) => id));
    const stack: Placement[] = [];
    let taken = 0;
    for (const { index, placement } of [...placements].sort((a, b) => a.index - b.index)) {
      if (ids.has(placement.id)) throw new CommandError(`there is a motif ${placement.id} on the cloth already`);
      if (!layers.has(placement.layer)) throw new CommandError(`there is no layer ${placement.layer}`);
      while (stack.length < index && taken < design.placements.length)
        stack.push(design.placements[taken++] as Placement);
      if (stack.length < index) throw new CommandError(`the stacking order has no place ${index}`);
      ids.add(placement.id);
      stack.push({ ...placement, ...toFundamentalDomain(lattice, { x: placement.x, y: placement.y }) });
    }
    while (taken < design.placements.length) stack.push(design.placements[taken++] as Placement);
    // An index that leads out of the layer's part of the order leads to the end of that part.
    return { ...design, placements: sortByLayer(design.layers, stack) };
  },
  invert: (_design, { placements }) => ({ type: 'remove', ids: placements.map(({ placement }) => placement.id) }),
  writes: ({ placements }) => ['stack', ...placements.map(({ placement }) => `motif ${placement.id}`)],
  describe: ({ placements }) => `laid ${countMotifs(placements.length)}`,
};
