import { CommandError, type CommandKind, type CommandOf } from './commandKind.ts';
import { printsOf } from '../printerOf.ts';
import { insertInksSchema, type removeInksSchema } from './inkSchemas.ts';

/** Inserts inks where they are to be in the list, each with a colour of its own in every colourway. */
export const insertInks: CommandKind<typeof insertInksSchema, CommandOf<{ schema: typeof removeInksSchema }>> = {
  schema: insertInksSchema,
  apply(design, command) {
    const inks = [...design.inks];
    const printed = new Set(inks.flatMap(printsOf));
    for (const { index, ink } of command.inks) {
      if (inks.some(({ id }) => id === ink.id)) throw new CommandError(`there is an ink ${ink.id} already`);
      if (printsOf(ink).some((print) => printed.has(print))) throw new CommandError('two inks print the same colour');
      inks.splice(index, 0, ink);
      for (const print of printsOf(ink)) printed.add(print);
    }
    const colourways = design.colourways.map((colourway) => ({
      ...colourway,
      colours: {
        ...colourway.colours,
        ...Object.fromEntries(
          // A colourway that came in meanwhile shows what the artwork was drawn in.
          command.inks.map(({ ink, colours }) => [ink.id, colours[colourway.id] ?? ink.prints[0] ?? '#808080']),
        ),
      },
    }));
    return { ...design, inks, colourways };
  },
  invert: (_design, { inks }) => ({ type: 'remove-inks', ids: inks.map(({ ink }) => ink.id) }),
  writes: ({ inks }) => inks.map(({ ink }) => `ink ${ink.id}`),
  describe: () => 'added inks',
};
