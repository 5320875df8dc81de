import { object } from 'yup';
import { hexSchema } from '../../colour/index.ts';
import { idSchema, nameSchema, recordOf } from '../../schema/index.ts';
import { CommandError, type CommandKind, typeField } from './commandKind.ts';
import { requireInk } from './requireInk.ts';

const schema = object({
  type: typeField('change-colourway'),
  colourway: idSchema,
  name: nameSchema.optional(),
  /** By ink; what is not named stays. */
  colours: recordOf(hexSchema),
})
  .noUnknown()
  .required();

/** Renames a colourway, or gives several inks other colours in it at once. */
export const changeColourway: CommandKind<typeof schema> = {
  schema,
  apply(design, { colourway: id, name, colours }) {
    for (const ink of Object.keys(colours)) requireInk(design, ink);
    if (!design.colourways.some((colourway) => colourway.id === id))
      throw new CommandError(`there is no colourway ${id}`);
    return {
      ...design,
      colourways: design.colourways.map((colourway) =>
        colourway.id === id
          ? { ...colourway, name: name ?? colourway.name, colours: { ...colourway.colours, ...colours } }
          : colourway,
      ),
    };
  },
  invert(design, { colourway: id, name, colours }) {
    const before = design.colourways.find((colourway) => colourway.id === id);
    if (!before) throw new CommandError(`there is no colourway ${id}`);
    return {
      type: 'change-colourway',
      colourway: id,
      ...(name !== undefined && { name: before.name }),
      colours: Object.fromEntries(Object.keys(colours).map((ink) => [ink, before.colours[ink] ?? '#808080'])),
    };
  },
  writes: ({ colourway, name, colours }) => [
    ...(name === undefined ? [] : [`name of ${colourway}`]),
    ...Object.keys(colours).map((ink) => `ink ${ink}`),
  ],
  describe: ({ name }) => (name === undefined ? 'changed a colourway' : 'renamed a colourway'),
};
