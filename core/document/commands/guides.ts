import { object } from 'yup';
import { guidesSchema } from '../guide.ts';
import { type CommandKind, typeField } from './commandKind.ts';

const schema = object({ type: typeField('guides'), guides: guidesSchema })
  .noUnknown()
  .required();

/** Replaces the list of guides. */
export const guides: CommandKind<typeof schema> = {
  schema,
  apply: (design, { guides }) => ({ ...design, guides }),
  invert: (design) => ({ type: 'guides', guides: design.guides }),
  writes: () => ['guides'],
  describe: () => 'changed the guides',
};
