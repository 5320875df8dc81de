import { type insertSchema, removeSchema } from './stackSchemas.ts';
import { type CommandKind, type CommandOf, countMotifs } from './commandKind.ts';
import { requirePlacement } from './placementIndex.ts';

/** Takes placements off the cloth. */
export const remove: CommandKind<typeof removeSchema, CommandOf<{ schema: typeof insertSchema }>> = {
  schema: removeSchema,
  apply(design, { ids }) {
    const gone = new Set(ids);
    for (const id of gone) requirePlacement(design, id);
    return { ...design, placements: design.placements.filter(({ id }) => !gone.has(id)) };
  },
  invert(design, { ids }) {
    const gone = new Set(ids);
    const placements = design.placements.flatMap((placement, index) =>
      gone.has(placement.id) ? [{ index, placement }] : [],
    );
    return { type: 'insert', placements };
  },
  writes: ({ ids }) => ['stack', ...ids.map((id) => `motif ${id}`)],
  describe: ({ ids }) => `deleted ${countMotifs(ids.length)}`,
};
