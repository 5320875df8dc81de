import { array, number, object, string } from 'yup';
import { idSchema, whole, ofWhole } from '../core/schema/index.ts';
import { jobSchema } from './jobs.ts';
import { exactly, FILE, route } from './route.ts';

/** Largest pack’s file, bytes. */
export const MOST_PACK_BYTES = 500 * 1024 * 1024;

const ids = array(idSchema).required().max(500);

export const startPack = route({
  method: 'POST',
  path: '/packs',
  summary: 'Writes swatches and designs, with everything they are made of, into one file that another Hevrel opens.',
  body: object({ swatches: ids, designs: ids })
    .noUnknown()
    .required()
    .test(
      'some',
      'it has to name a swatch or a design',
      ofWhole(({ swatches, designs }) => swatches.length + designs.length > 0),
    ),
  answer: jobSchema,
  result: exactly({ href: string().required(), fileName: string().required(), bytes: number().required() }),
  status: 202,
  problems: [404, 422, 429],
});

export const importPack = route({
  method: 'POST',
  path: '/packs/import',
  summary: 'Imports a pack, or the JSON of a design whose motifs are in the drawer.',
  body: FILE,
  limit: MOST_PACK_BYTES,
  answer: exactly({
    designs: array(idSchema).required(),
    swatches: array(idSchema).required(),
    motifs: array(idSchema).required(),
    /** How many of all these were there already. */
    known: whole(0, 1e6),
  }),
  status: 201,
  problems: [413, 422],
});
