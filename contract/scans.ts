import { array, boolean, number, object, string, type InferType } from 'yup';
import { LARGEST_CELL_MM, SMALLEST_CELL_MM } from '../core/lattice/index.ts';
import { cleanStepsSchema, cloneSchema, MOST_CLONES, pictureFrameSchema, tileWaySchema } from '../core/recipe/index.ts';
import { addressSchema, between, idSchema, type Immutable, nameSchema, whole } from '../core/schema/index.ts';
import { jobSchema } from './jobs.ts';
import { collectionSchema, MOST_RECIPE_BYTES, MOST_UPLOAD_BYTES } from './motifs.ts';
import { exactly, FILE, route } from './route.ts';

/** Densities that the simulated scanner reads at. */
export const DENSITIES = [300, 600] as const;

const byId = exactly({ id: idSchema });
const dpiSchema = between(10, 5000);

/** A scan or a photograph on the workshop's shelf, with what is done to it so far. */
const scanSchema = exactly({
  id: idSchema,
  name: nameSchema,
  /** Content addresses of the picture as it was imported and of a smaller one for the screen. */
  picture: addressSchema,
  preview: addressSchema,
  /** Pixels of the picture as it was imported. */
  width: whole(1, 1e6),
  height: whole(1, 1e6),
  dpi: dpiSchema,
  steps: cleanStepsSchema,
});
export type Scan = Immutable<InferType<typeof scanSchema>>;

const scannerSchema = exactly({
  originals: array(exactly({ id: idSchema, name: nameSchema })).required(),
  densities: array(number().required()).required(),
  jammed: boolean().required(),
});
export type ScannerState = Immutable<InferType<typeof scannerSchema>>;

export const listScans = route({
  method: 'GET',
  path: '/scans',
  summary: 'Lists the workshop’s shelf, newest first.',
  answer: array(scanSchema).required(),
  problems: [],
});

export const importScan = route({
  method: 'POST',
  path: '/scans',
  summary:
    'Puts a picture on the shelf: one of pixels, a tile of an SVG (of its pattern, or its page), or each page of a PDF; the answer is the first.',
  query: exactly({ name: string().required().max(1000) }),
  body: FILE,
  limit: MOST_UPLOAD_BYTES,
  answer: scanSchema,
  status: 201,
  problems: [413, 415, 422],
});

export const scanOfMotif = route({
  method: 'POST',
  path: '/scans/of-motif/{id}',
  summary: 'Puts the picture that a motif was made from on the shelf.',
  params: byId,
  answer: scanSchema,
  status: 201,
  problems: [404, 422],
});

export const readScan = route({
  method: 'GET',
  path: '/scans/{id}',
  summary: 'Reads a scan.',
  params: byId,
  answer: scanSchema,
  problems: [404],
});

export const changeScan = route({
  method: 'PATCH',
  path: '/scans/{id}',
  summary: 'Changes the name, density or cleaning steps of a scan.',
  params: byId,
  body: exactly({
    name: nameSchema.optional(),
    steps: cleanStepsSchema.optional().default(undefined),
    dpi: dpiSchema.optional(),
    /** The steps as they were known; where they are others by now, nothing is changed. */
    stepsWere: cleanStepsSchema.optional().default(undefined),
  }),
  answer: scanSchema,
  problems: [404, 409],
});

export const cleanScan = route({
  method: 'POST',
  path: '/scans/{id}/motifs',
  summary:
    'Cleans a scan at full size and makes motifs of it, and a design of the page where that is wished; or the motif that is replaced.',
  params: byId,
  body: exactly({
    name: nameSchema,
    collection: collectionSchema.required(),
    steps: cleanStepsSchema,
    replace: idSchema.optional(),
    /** Whether a design is made of the page too, with the motifs where they lie on it. */
    layOut: boolean().optional(),
  }),
  answer: jobSchema,
  result: exactly({ motifs: array(idSchema).required(), design: idSchema.nullable().defined() }),
  status: 202,
  problems: [404, 422, 429],
});

export const makeTile = route({
  method: 'POST',
  path: '/scans/{id}/tiles',
  summary:
    'Makes a picture repeat at full size: a motif that fills a cell and a design of it, or the motif that is replaced.',
  params: byId,
  body: exactly({
    name: nameSchema,
    collection: collectionSchema.required(),
    frame: pictureFrameSchema,
    width: between(SMALLEST_CELL_MM, LARGEST_CELL_MM),
    way: tileWaySchema,
    clones: array(cloneSchema).max(MOST_CLONES).optional(),
    replace: idSchema.optional(),
  }),
  limit: MOST_RECIPE_BYTES,
  answer: jobSchema,
  /** The design is null where a motif was replaced. */
  result: exactly({ motif: idSchema, design: idSchema.nullable().defined() }),
  status: 202,
  problems: [404, 413, 422, 429],
});

export const deleteScan = route({
  method: 'DELETE',
  path: '/scans/{id}',
  summary: 'Deletes a scan from the shelf; it can be restored.',
  params: byId,
  problems: [404],
});

export const restoreScan = route({
  method: 'POST',
  path: '/scans/{id}/restore',
  summary: 'Restores a deleted scan.',
  params: byId,
  problems: [404],
});

export const readScanner = route({
  method: 'GET',
  path: '/scanner',
  summary: 'Tells what lies in the simulated scanner, and whether it has jammed.',
  answer: scannerSchema,
  problems: [],
});

export const startScan = route({
  method: 'POST',
  path: '/scanner/scan',
  summary: 'Scans an original.',
  body: object({ original: idSchema, dpi: number().oneOf(DENSITIES).required() })
    .noUnknown()
    .required(),
  answer: jobSchema,
  result: exactly({ scan: idSchema }),
  status: 202,
  problems: [404, 409, 429],
});

export const clearJam = route({
  method: 'POST',
  path: '/scanner/clear',
  summary: 'Clears a jam.',
  answer: scannerSchema,
  problems: [],
});
