import { insertColourwaysSchema, type removeColourwaysSchema } from './colourwaySchemas.ts';
import { CommandError, type CommandKind, type CommandOf } from './commandKind.ts';

/** Adds colourways. */
export const insertColourways: CommandKind<
  typeof insertColourwaysSchema,
  CommandOf<{ schema: typeof removeColourwaysSchema }>
> = {
  schema: insertColourwaysSchema,
  apply(design, command) {
    const colourways = [...design.colourways];
    const [base] = colourways;
    for (const { index, colourway } of command.colourways) {
      if (colourways.some(({ id }) => id === colourway.id))
        throw new CommandError(`there is a colourway ${colourway.id} already`);
      // An ink that came in meanwhile has its colour of the base.
      const colours = design.inks.map(({ id }) => [id, base?.colours[id] ?? '#808080'] as const);
      colourways.splice(index, 0, { ...colourway, colours: { ...Object.fromEntries(colours), ...colourway.colours } });
    }
    return { ...design, colourways };
  },
  invert: (_design, { colourways }) => ({
    type: 'remove-colourways',
    ids: colourways.map(({ colourway }) => colourway.id),
  }),
  writes: ({ colourways }) => colourways.map(({ colourway }) => `colourway ${colourway.id}`),
  describe: ({ colourways }) => (colourways.length === 1 ? 'added a colourway' : 'added colourways'),
};
