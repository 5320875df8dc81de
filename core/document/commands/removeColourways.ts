import { type insertColourwaysSchema, removeColourwaysSchema } from './colourwaySchemas.ts';
import { CommandError, type CommandKind, type CommandOf } from './commandKind.ts';

/** Removes colourways; one is always left. */
export const removeColourways: CommandKind<
  typeof removeColourwaysSchema,
  CommandOf<{ schema: typeof insertColourwaysSchema }>
> = {
  schema: removeColourwaysSchema,
  apply(design, { ids }) {
    const gone = new Set(ids);
    const colourways = design.colourways.filter(({ id }) => !gone.has(id));
    if (design.colourways.length - colourways.length !== gone.size)
      throw new CommandError('one of these colourways is not there');
    if (colourways.length === 0) throw new CommandError('a design needs a colourway');
    return { ...design, colourways };
  },
  invert: ({ colourways }, { ids }) => ({
    type: 'insert-colourways',
    colourways: colourways.flatMap((colourway, index) => (ids.includes(colourway.id) ? [{ index, colourway }] : [])),
  }),
  writes: ({ ids }) => ids.map((id) => `colourway ${id}`),
  describe: ({ ids }) => (ids.length === 1 ? 'deleted a colourway' : 'deleted colourways'),
};
