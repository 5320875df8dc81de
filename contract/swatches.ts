import { array, boolean, number, object, string, type InferType } from 'yup';
import { hexSchema } from '../core/colour/index.ts';
import { designSchema } from '../core/document/index.ts';
import { repeatSchema } from '../core/lattice/index.ts';
import { addressSchema, between, idSchema, type Immutable, nameSchema, whole, ofWhole } from '../core/schema/index.ts';
import { jobSchema } from './jobs.ts';
import { exactly, route } from './route.ts';

const byId = exactly({ id: idSchema });
const versionNumber = whole(1, 1e6);
const byVersion = exactly({ id: idSchema, number: versionNumber });

/** The fields of the words that stand beside a swatch. */
const detailFields = {
  name: nameSchema,
  /** The book it is kept in; empty where it is in none. */
  book: string().defined().trim().max(120),
  tags: array(nameSchema).required().max(50),
  notes: string().defined().max(5000),
};
const versionFields = {
  /** From 1 on. */
  number: versionNumber,
  note: string().defined().max(500),
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
};
const versionSummarySchema = exactly(versionFields);
export type SwatchVersionSummary = Immutable<InferType<typeof versionSummarySchema>>;

/** What the swatch book shows of a swatch: its words, and its newest version. */
const swatchSummarySchema = exactly({
  ...detailFields,
  ...versionFields,
  id: idSchema,
  /** The number of the newest version. */
  newest: versionNumber,
  /** When it was put into the bin; null where it is in the book. */
  deletedAt: string().defined().nullable(),
});
export type SwatchSummary = Immutable<InferType<typeof swatchSummarySchema>>;
/** The words that stand beside a swatch. */
export type SwatchDetails = Pick<SwatchSummary, keyof typeof detailFields>;

/** Swatches in one answer, at the most. */
export const MOST_SWATCHES = 500;

export const listSwatches = route({
  method: 'GET',
  path: '/swatches',
  summary: 'One page of the swatch book, the swatch that was saved last first.',
  query: object({
    /** Only those whose newest version was saved from this design. */
    design: idSchema.optional(),
    offset: number().integer().min(0).max(1e9).default(0),
    limit: number().integer().min(1).max(MOST_SWATCHES).default(MOST_SWATCHES),
  }).noUnknown(),
  answer: exactly({ swatches: array(swatchSummarySchema).required(), total: whole(0, 1e7) }),
  problems: [],
});

export const listBin = route({
  method: 'GET',
  path: '/swatch-bin',
  summary: 'Lists deleted swatches; each can be restored for 30 days.',
  answer: array(swatchSummarySchema).required(),
  problems: [],
});

/** Swatches that are saved in one go. */
const MOST_SAVED_COLOURWAYS = 40;

export const saveSwatch = route({
  method: 'POST',
  path: '/swatches',
  summary: 'Saves a design, as it is at a revision, as a new swatch or as a new version of one.',
  body: object({
    design: idSchema,
    revision: number().integer().min(1).required(),
    /** Of a new swatch. */
    name: nameSchema.optional(),
    /** Of which swatch it becomes the newest version. */
    swatch: idSchema.optional(),
    note: string().max(500).optional(),
    /** In which colourways, each as a swatch of its own; the base where missing, and one of them for a version. */
    colourways: array(idSchema).min(1).max(MOST_SAVED_COLOURWAYS).optional(),
  })
    .noUnknown()
    .required()
    .test(
      'one-target',
      'it has to name a new swatch or one that is there',
      ofWhole(({ name, swatch }) => (name === undefined) !== (swatch === undefined)),
    ),
  answer: jobSchema,
  result: exactly({ swatch: idSchema, version: versionNumber }),
  status: 202,
  problems: [404, 409, 422, 429],
});

export const readSwatch = route({
  method: 'GET',
  path: '/swatches/{id}',
  summary: 'Reads a swatch and the design of its newest version.',
  params: byId,
  answer: swatchSummarySchema.shape({ design: designSchema }).required(),
  problems: [404],
});

export const changeSwatch = route({
  method: 'PATCH',
  path: '/swatches/{id}',
  summary: 'Changes a swatch’s name, book, tags or notes; what is not named stays.',
  params: byId,
  body: exactly({
    name: nameSchema.optional(),
    book: detailFields.book.optional(),
    tags: array(nameSchema).max(50).optional(),
    /** The tags as they were known: what another window did to them meanwhile stays then. */
    tagsWere: array(nameSchema).max(50).optional(),
    notes: detailFields.notes.optional(),
  }),
  answer: swatchSummarySchema,
  problems: [404],
});

export const deleteSwatch = route({
  method: 'DELETE',
  path: '/swatches/{id}',
  summary: 'Moves a swatch into the bin; it can be restored for 30 days.',
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

export const listVersions = route({
  method: 'GET',
  path: '/swatches/{id}/versions',
  summary: 'Lists all versions of a swatch, the newest first.',
  params: byId,
  answer: array(versionSummarySchema).required(),
  problems: [404],
});

export const restoreVersion = route({
  method: 'POST',
  path: '/swatches/{id}/versions/{number}/restore',
  summary: 'Makes an earlier version the newest again, as a version of its own; none is lost.',
  params: byVersion,
  answer: swatchSummarySchema,
  problems: [404],
});

export const compareVersions = route({
  method: 'POST',
  path: '/swatches/{id}/compare',
  summary: 'Compares the tiles of two versions of a swatch, pixel by pixel.',
  params: byId,
  body: exactly({ from: versionNumber, to: versionNumber }),
  answer: exactly({
    /** The share of pixels that differ, 0 to 1; null where the tiles are of different sizes. */
    changed: between(0, 1).nullable().defined(),
    /** A picture of where they differ. */
    picture: addressSchema.nullable().defined(),
  }),
  problems: [404, 422],
});

export const openSwatch = route({
  method: 'POST',
  path: '/swatches/{id}/open',
  summary: 'Opens the swatch’s design: the one it came from where nothing has changed since, else a copy.',
  params: byId,
  answer: exactly({ design: idSchema, copied: boolean().required() }),
  problems: [404],
});
