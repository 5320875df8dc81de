import { object } from 'yup';
import { idsSchema } from '../../schema/index.ts';
import { MOST_COLOURWAYS, READ_BEYOND } from '../limits.ts';
import { type CommandKind, typeField } from './commandKind.ts';
import { inOrder } from './inOrder.ts';

const schema = object({ type: typeField('order-colourways'), ids: idsSchema(READ_BEYOND * MOST_COLOURWAYS) })
  .noUnknown()
  .required();

/** Puts the colourways in another order; the first is the base. */
export const orderColourways: CommandKind<typeof schema> = {
  schema,
  apply: (design, { ids }) => ({ ...design, colourways: inOrder(design.colourways, ids) }),
  invert: ({ colourways }) => ({ type: 'order-colourways', ids: colourways.map(({ id }) => id) }),
  writes: () => ['order of colourways'],
  describe: () => 'reordered the colourways',
};
