import { object } from 'yup';
import { idsSchema } from '../../schema/index.ts';
import { inksOfGround } from '../ground.ts';
import { MOST_INKS, READ_BEYOND } from '../limits.ts';
import { CommandError, type CommandKind, typeField } from './commandKind.ts';
import { requireInk } from './requireInk.ts';

export const removeInksSchema = object({ type: typeField('remove-inks'), ids: idsSchema(READ_BEYOND * MOST_INKS) })
  .noUnknown()
  .required();

/** Takes inks that were added away again: it only ever undoes. */
export const removeInks: CommandKind<typeof removeInksSchema> = {
  schema: removeInksSchema,
  apply(design, { ids }) {
    const gone = new Set(ids);
    for (const id of gone) requireInk(design, id);
    if (inksOfGround(design.ground).some((ink) => gone.has(ink)))
      throw new CommandError('the ground is printed in this ink');
    return {
      ...design,
      inks: design.inks.filter(({ id }) => !gone.has(id)),
      colourways: design.colourways.map((colourway) => ({
        ...colourway,
        colours: Object.fromEntries(Object.entries(colourway.colours).filter(([id]) => !gone.has(id))),
      })),
    };
  },
  invert() {
    throw new CommandError('removing inks is only ever an undoing');
  },
  writes: ({ ids }) => ids.map((id) => `ink ${id}`),
  describe: () => 'changed the inks',
};
