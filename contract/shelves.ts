import { array, type InferType } from 'yup';
import { idSchema, type Immutable, nameSchema } from '../core/schema/index.ts';
import { shelfInksSchema } from '../core/shelf/index.ts';
import { exactly, route } from './route.ts';

const shelfFields = { name: nameSchema, inks: shelfInksSchema };
const keptShelfSchema = exactly({ id: idSchema, ...shelfFields });
/** A shelf of inks that the studio keeps. */
export type KeptShelf = Immutable<InferType<typeof keptShelfSchema>>;

export const listShelves = route({
  method: 'GET',
  path: '/ink-shelves',
  summary: 'Lists the shelves of inks by name.',
  answer: array(keptShelfSchema).required(),
  problems: [],
});

export const saveShelf = route({
  method: 'POST',
  path: '/ink-shelves',
  summary: 'Saves a shelf of inks; one of the same name is replaced.',
  body: exactly({
    ...shelfFields,
    /** Its inks as they were known, null where none had its name; where that is not so any more, nothing is changed. */
    were: shelfInksSchema.optional().nullable().default(undefined),
  }),
  answer: keptShelfSchema,
  status: 201,
  problems: [409],
});

export const deleteShelf = route({
  method: 'DELETE',
  path: '/ink-shelves/{id}',
  summary: 'Deletes a shelf of inks.',
  params: exactly({ id: idSchema }),
  problems: [404],
});
