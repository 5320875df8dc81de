import { array, object } from 'yup';
import { hexSchema } from '../../colour/index.ts';
import { recordOf } from '../../schema/index.ts';
import { inkSchema } from '../ink.ts';
import { MOST_INKS } from '../limits.ts';
import { CommandError, type CommandKind, type CommandOf, typeField } from './commandKind.ts';
import type { removeInksSchema } from './inkSchemas.ts';

const schema = object({
  type: typeField('add-inks'),
  inks: array(inkSchema).required().max(MOST_INKS),
  /** The colour of each in every colourway, by its id. */
  colours: recordOf(hexSchema),
})
  .noUnknown()
  .required();

/** Adds inks to the design and their colours to every colourway. */
export const addInks: CommandKind<typeof schema, CommandOf<{ schema: typeof removeInksSchema }>> = {
  schema,
  apply(design, { inks, colours }) {
    const ids = new Set(design.inks.map(({ id }) => id));
    for (const { id } of inks) {
      if (ids.has(id)) throw new CommandError(`there is an ink ${id} already`);
      if (!colours[id]) throw new CommandError(`the new ink ${id} has no colour`);
      ids.add(id);
    }
    return {
      ...design,
      inks: [...design.inks, ...inks],
      colourways: design.colourways.map((colourway) => ({
        ...colourway,
        colours: { ...colourway.colours, ...Object.fromEntries(inks.map(({ id }) => [id, colours[id] ?? '#000000'])) },
      })),
    };
  },
  invert: (_design, { inks }) => ({ type: 'remove-inks', ids: inks.map(({ id }) => id) }),
  writes: ({ inks }) => inks.map(({ id }) => `ink ${id}`),
  describe: () => 'changed the inks',
};
