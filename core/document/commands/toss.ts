import { object } from 'yup';
import { tossSchema } from '../arrangementRecipes.ts';
import { type CommandKind, typeField } from './commandKind.ts';

const schema = object({ type: typeField('toss'), toss: tossSchema })
  .noUnknown()
  .required();

/** Sets the recipe that the design was tossed by, or none. */
export const toss: CommandKind<typeof schema> = {
  schema,
  apply: (design, { toss }) => ({ ...design, toss }),
  invert: (design) => ({ type: 'toss', toss: design.toss }),
  writes: () => ['toss'],
  describe: ({ toss }) => (toss ? 'tossed' : 'removed the toss'),
};
