import { inksOfGround } from '../ground.ts';
import { CommandError, type CommandKind, type CommandOf } from './commandKind.ts';
import { type insertInksSchema, removeInksSchema } from './inkSchemas.ts';
import { requireInk } from './requireInk.ts';

/** Removes inks, with their colours in every colourway; what they printed is seen as it was drawn. */
export const removeInks: CommandKind<typeof removeInksSchema, CommandOf<{ schema: typeof insertInksSchema }>> = {
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
  invert({ inks, colourways }, { ids }) {
    const gone = new Set(ids);
    return {
      type: 'insert-inks',
      inks: inks.flatMap((ink, index) => {
        if (!gone.has(ink.id)) return [];
        const colours = colourways.flatMap(({ id, colours }) => {
          const colour = colours[ink.id];
          return colour ? [[id, colour] as const] : [];
        });
        return [{ index, ink, colours: Object.fromEntries(colours) }];
      }),
    };
  },
  writes: ({ ids }) => ids.map((id) => `ink ${id}`),
  describe: () => 'removed inks',
};
