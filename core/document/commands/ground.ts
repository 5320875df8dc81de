import { object } from 'yup';
import { groundSchema, inksOfGround } from '../ground.ts';
import { type CommandKind, typeField } from './commandKind.ts';
import { requireInk } from './requireInk.ts';

const schema = object({ type: typeField('ground'), ground: groundSchema })
  .noUnknown()
  .required();

/** Sets what lies behind everything. */
export const ground: CommandKind<typeof schema> = {
  schema,
  apply(design, { ground }) {
    for (const ink of inksOfGround(ground)) requireInk(design, ink);
    return { ...design, ground };
  },
  invert: (design) => ({ type: 'ground', ground: design.ground }),
  writes: () => ['ground'],
  describe: () => 'changed the ground',
};
