import { object } from 'yup';
import { layoutSchema } from '../arrangementRecipes.ts';
import { type CommandKind, typeField } from './commandKind.ts';

const schema = object({ type: typeField('layout'), layout: layoutSchema })
  .noUnknown()
  .required();

/** Sets the recipe that the design was laid out by, or none. */
export const layout: CommandKind<typeof schema> = {
  schema,
  apply: (design, { layout }) => ({ ...design, layout }),
  invert: (design) => ({ type: 'layout', layout: design.layout }),
  writes: () => ['layout'],
  describe: ({ layout }) => (layout ? 'laid out rows or a grid' : 'removed the layout'),
};
