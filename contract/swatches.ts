import { array, boolean, number, string, type InferType } from 'yup';
import { hexSchema } from '../core/colour/index.ts';
import { designSchema } from '../core/document/index.ts';
import { repeatSchema } from '../core/lattice/index.ts';
import { addressSchema, idSchema, type Immutable, nameSchema, whole } from '../core/schema/index.ts';
import { jobSchema } from './jobs.ts';
import { exactly, route } from './route.ts';

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
