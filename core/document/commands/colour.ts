import { object } from 'yup';
import { hexSchema } from '../../colour/index.ts';
import { idSchema } from '../../schema/index.ts';
import { CommandError, type CommandKind, typeField } from './commandKind.ts';
import { requireInk } from './requireInk.ts';

const schema = object({ type: typeField('colour'), colourway: idSchema, ink: idSchema, colour: hexSchema })
  .noUnknown()
  .required();

/** Gives an ink another colour in one colourway. */
export const colour: CommandKind<typeof schema> = {
  schema,
  apply(design, { colourway: id, ink, colour }) {
    requireInk(design, ink);
    if (!design.colourways.some((colourway) => colourway.id === id))
      throw new CommandError(`there is no colourway ${id}`);
    return {
      ...design,
      colourways: design.colourways.map((colourway) =>
        colourway.id === id ? { ...colourway, colours: { ...colourway.colours, [ink]: colour } } : colourway,
      ),
    };
  },
  invert(design, command) {
    const before = design.colourways.find(({ id }) => id === command.colourway)?.colours[command.ink];
    if (!before) throw new CommandError(`there is no ink ${command.ink} in the colourway ${command.colourway}`);
    return { ...command, colour: before };
  },
  writes: ({ ink }) => [`ink ${ink}`],
  describe: () => 'changed a colour',
};
