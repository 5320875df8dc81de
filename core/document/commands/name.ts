import { object } from 'yup';
import { nameSchema } from '../../schema/index.ts';
import { type CommandKind, typeField } from './commandKind.ts';

const schema = object({ type: typeField('name'), name: nameSchema })
  .noUnknown()
  .required();

/** Renames the design. */
export const name: CommandKind<typeof schema> = {
  schema,
  apply: (design, { name }) => ({ ...design, name }),
  invert: (design) => ({ type: 'name', name: design.name }),
  writes: () => ['name'],
  describe: ({ name }) => `renamed it “${name}”`,
};
