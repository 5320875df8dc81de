import { object } from 'yup';
import { idsSchema } from '../../schema/index.ts';
import { MOST_INKS, READ_BEYOND } from '../limits.ts';
import { type CommandKind, typeField } from './commandKind.ts';
import { inOrder } from './inOrder.ts';

const schema = object({ type: typeField('order-inks'), ids: idsSchema(READ_BEYOND * MOST_INKS) })
  .noUnknown()
  .required();

/** Puts the inks in another order. */
export const orderInks: CommandKind<typeof schema> = {
  schema,
  apply: (design, { ids }) => ({ ...design, inks: inOrder(design.inks, ids) }),
  invert: ({ inks }) => ({ type: 'order-inks', ids: inks.map(({ id }) => id) }),
  writes: () => ['order of inks'],
  describe: () => 'reordered the inks',
};
