import { array, boolean, number, object, string, type InferType } from 'yup';
import { anyOrderSchema, templateSchema } from '../core/export/index.ts';
import { between, idSchema, type Immutable, nameSchema, whole, ofWhole } from '../core/schema/index.ts';
import { jobIdSchema, jobSchema } from './jobs.ts';
import { exactly, FILE, route } from './route.ts';

const sourceFields = {
  design: idSchema.optional(),
  swatch: idSchema.optional(),
  /** Of the swatch; the newest where missing. */
  version: whole(1, 1e6).optional(),
  /** The base where missing. */
  colourway: idSchema.optional(),
};

/** An object of these fields that names a design or a swatch. */
export const ofOneSource = <F extends Parameters<typeof object>[0] & object>(fields: F) =>
  object({ ...fields, ...sourceFields })
    .noUnknown()
    .required()
    .test(
      'one-source',
      'it has to name a design or a swatch',
      // Yup does not see through the spread.
      ofWhole(
        (value: { design?: unknown; swatch?: unknown }) =>
          (value.design === undefined) !== (value.swatch === undefined),
      ),
    );

const templateField = templateSchema.optional();

/** What came of decoding a file again and comparing it with the pattern. */
const proofSchema = exactly({
  pixels: whole(1, 1e9),
  /** Of a channel, 0 to 255. */
  largest: whole(0, 255),
  mean: between(0, 255),
  /** Along its joins with copies of itself, rather than along its edges alone. */
  tiled: boolean().required(),
});

const fileFields = {
  fileName: string().required(),
  width: number().positive().required(),
  height: number().positive().required(),
  /** What width and height count: pixels, or printed mm for shapes. */
  unit: string()
    .oneOf(['px', 'mm'] as const)
    .required(),
  bytes: number().required(),
  /** Whether it is stored as numbers of at most 256 colours. */
  palette: boolean().required(),
  /** None of a PDF, which nothing here draws. */
  proof: proofSchema.nullable().default(undefined).defined(),
};
const madeFileSchema = exactly(fileFields);
/** A file that was made. */
export type MadeFile = Immutable<InferType<typeof madeFileSchema>>;

export const startExport = route({
  method: 'POST',
  path: '/exports',
  summary: 'Writes a design or a swatch into a file, and proves the file against the pattern.',
  body: ofOneSource({
    order: anyOrderSchema,
    /** Of its name, with fields such as {name} and {size}. */
    template: templateField,
  }),
  answer: jobSchema,
  result: exactly({
    /** Where the file is fetched from. */
    href: string().required(),
    ...fileFields,
    /** Largest resident memory of the painting process, bytes. */
    peakMemory: number().required(),
  }),
  status: 202,
  problems: [404, 422, 429],
});

export const MOST_BATCHED_FILES = 200;

export const startBatch = route({
  method: 'POST',
  path: '/batches',
  summary: 'Writes several designs or swatches, each in the same formats and sizes, into one ZIP.',
  body: exactly({
    sources: array(ofOneSource({})).required().min(1).max(MOST_BATCHED_FILES),
    orders: array(anyOrderSchema).required().min(1).max(20),
    template: templateField,
  }),
  answer: jobSchema,
  result: exactly({
    href: string().required(),
    fileName: string().required(),
    bytes: number().required(),
    files: array(madeFileSchema).required(),
  }),
  status: 202,
  problems: [404, 422, 429],
});

export const readExport = route({
  method: 'GET',
  path: '/exports/{id}/file',
  summary: 'The file of a finished export, batch, sheet or pack.',
  params: exactly({ id: jobIdSchema }),
  answer: FILE,
  problems: [404, 410],
});

const presetFields = {
  name: nameSchema,
  orders: array(anyOrderSchema).required().min(1).max(20),
  template: templateSchema,
};
const presetSchema = exactly({ id: idSchema, ...presetFields });
/** Files as they were ordered, under a name. */
export type ExportPreset = Immutable<InferType<typeof presetSchema>>;

export const listPresets = route({
  method: 'GET',
  path: '/export-presets',
  summary: 'Lists the presets of formats and sizes by name.',
  answer: array(presetSchema).required(),
  problems: [],
});

export const savePreset = route({
  method: 'POST',
  path: '/export-presets',
  summary: 'Saves a preset of formats and sizes; one of the same name is replaced.',
  body: exactly(presetFields),
  answer: presetSchema,
  status: 201,
  problems: [422],
});

export const deletePreset = route({
  method: 'DELETE',
  path: '/export-presets/{id}',
  summary: 'Deletes a preset.',
  params: exactly({ id: idSchema }),
  problems: [404],
});
