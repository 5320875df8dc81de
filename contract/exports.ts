import { boolean, number, object, string } from 'yup';
import { exportOrderSchema } from '../core/export/index.ts';
import { between, idSchema, whole } from '../core/schema/index.ts';
import { jobSchema } from './jobs.ts';
import { exactly, FILE, route } from './route.ts';

export const startExport = route({
  method: 'POST',
  path: '/exports',
  summary: 'Paints a design or a swatch into a file, and proves the file against the pattern.',
  body: object({
    design: idSchema.optional(),
    swatch: idSchema.optional(),
    /** Of the swatch; the newest where missing. */
    version: whole(1, 1e6).optional(),
    order: exportOrderSchema,
  })
    .noUnknown()
    .required()
    .test(
      'one-source',
      'it has to name a design or a swatch',
      ({ design, swatch }) => (design === undefined) !== (swatch === undefined),
    ),
  answer: jobSchema,
  result: exactly({
    /** Where the file is fetched from. */
    href: string().required(),
    fileName: string().required(),
    width: whole(1, 1e6),
    height: whole(1, 1e6),
    bytes: number().required(),
    /** Whether it is stored as numbers of at most 256 colours. */
    palette: boolean().required(),
    /** What came of decoding it again and comparing it with the pattern. */
    proof: exactly({
      pixels: whole(1, 1e9),
      /** Of a channel, 0 to 255. */
      largest: whole(0, 255),
      mean: between(0, 255),
      /** Along its joins with copies of itself, rather than along its edges alone. */
      tiled: boolean().required(),
    }),
    /** Largest resident memory of the painting process, bytes. */
    peakMemory: number().required(),
  }),
  status: 202,
  problems: [404, 422],
});

export const readExport = route({
  method: 'GET',
  path: '/exports/{id}/file',
  summary: 'The file of a finished export.',
  params: exactly({
    id: string()
      .required()
      .matches(/^[\w-]{1,64}$/),
  }),
  answer: FILE,
  problems: [404, 410],
});
