import { array, boolean, number, object, string, type InferType } from 'yup';
import { hexSchema } from '../core/colour/index.ts';
import { designSchema } from '../core/document/index.ts';
import { repeatSchema } from '../core/lattice/index.ts';
import { LEAST_DPI, MOST_DPI } from '../core/paint/index.ts';
import { addressSchema, idSchema, type Immutable, nameSchema, whole } from '../core/schema/index.ts';
import { jobSchema } from './jobs.ts';
import { exactly, FILE, route } from './route.ts';

const byId = exactly({ id: idSchema });

/** What the swatch book shows of a swatch. */
const swatchSummarySchema = exactly({
  id: idSchema,
  name: nameSchema,
  savedAt: string().required(),
  /** The design it came from. */
  designId: idSchema,
  /** Content addresses of the rendered tile and of a small picture of it. */
  tile: addressSchema,
  thumbnail: addressSchema,
  /** Pixels of the tile. */
  tileWidth: whole(1, 1e6),
  tileHeight: whole(1, 1e6),
  repeat: repeatSchema,
  /** The ground's and the inks' colours, ground first. */
  colours: array(hexSchema).required(),
});
export type SwatchSummary = Immutable<InferType<typeof swatchSummarySchema>>;

export const listSwatches = route({
  method: 'GET',
  path: '/swatches',
  summary: 'Lists the swatch book, newest first.',
  answer: array(swatchSummarySchema).required(),
  problems: [],
});

export const saveSwatch = route({
  method: 'POST',
  path: '/swatches',
  summary: 'Saves a design, as it is at a revision, as a swatch.',
  body: exactly({ design: idSchema, revision: number().integer().min(1).required(), name: nameSchema }),
  answer: jobSchema,
  result: exactly({ swatch: idSchema }),
  status: 202,
  problems: [404, 409, 422],
});

export const readSwatch = route({
  method: 'GET',
  path: '/swatches/{id}',
  summary: 'Reads a swatch and the design it was saved from.',
  params: byId,
  answer: swatchSummarySchema.shape({ design: designSchema }).required(),
  problems: [404],
});

export const renameSwatch = route({
  method: 'PATCH',
  path: '/swatches/{id}',
  summary: 'Renames a swatch.',
  params: byId,
  body: exactly({ name: nameSchema }),
  answer: swatchSummarySchema,
  problems: [404],
});

export const deleteSwatch = route({
  method: 'DELETE',
  path: '/swatches/{id}',
  summary: 'Deletes a swatch; it can be restored.',
  params: byId,
  problems: [404],
});

export const restoreSwatch = route({
  method: 'POST',
  path: '/swatches/{id}/restore',
  summary: 'Restores a deleted swatch.',
  params: byId,
  problems: [404],
});

export const openSwatch = route({
  method: 'POST',
  path: '/swatches/{id}/open',
  summary: 'Opens the swatch’s design: the one it came from where nothing has changed since, else a copy.',
  params: byId,
  answer: exactly({ design: idSchema, copied: boolean().required() }),
  problems: [404],
});

export const startExport = route({
  method: 'POST',
  path: '/exports',
  summary: 'Paints the tile of a design or a swatch into a PNG, at a density or a width in pixels.',
  body: object({
    design: idSchema.optional(),
    swatch: idSchema.optional(),
    dpi: number().min(LEAST_DPI).max(MOST_DPI).optional(),
    width: number().integer().min(1).max(100_000).optional(),
  })
    .noUnknown()
    .required()
    .test(
      'one-source',
      'it has to name a design or a swatch',
      ({ design, swatch }) => (design === undefined) !== (swatch === undefined),
    )
    .test(
      'one-size',
      'it has to name a density or a width',
      ({ dpi, width }) => (dpi === undefined) !== (width === undefined),
    ),
  answer: jobSchema,
  result: exactly({
    /** Where the file is fetched from. */
    href: string().required(),
    fileName: string().required(),
    width: whole(1, 1e6),
    height: whole(1, 1e6),
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
