import { object } from 'yup';
import { idsSchema } from '../../schema/index.ts';
import { MOST_PLACEMENTS } from '../limits.ts';
import { type CommandKind, type CommandOf, countMotifs, typeField } from './commandKind.ts';
import type { insertSchema } from './insert.ts';
import { requirePlacement } from './placementIndex.ts';

export const removeSchema = object({ type: typeField('remove'), ids: idsSchema(MOST_PLACEMENTS) })
  .noUnknown()
  .required();

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
