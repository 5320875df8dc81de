import { array, number, object, string, type InferType } from 'yup';
import { designSchema } from '../core/document/index.ts';
import { motifSchema } from '../core/motif/index.ts';
import { cutWishSchema } from '../core/sheet/index.ts';
import { addressSchema, between, idSchema, type Immutable, nameSchema, whole, ofWhole } from '../core/schema/index.ts';
import {
  markedSchema,
  patternSourceFields,
  patternSourceSchema,
  namesOneSource,
  productDrawingSchema,
  productSchema,
  tryOnSchema,
} from '../core/tryon/index.ts';
import { jobSchema } from './jobs.ts';
import { MOST_UPLOAD_BYTES } from './motifs.ts';
import { exactly, FILE, route } from './route.ts';

const byId = exactly({ id: idSchema });

/** Of what is marked on a photograph: its masks hold every point of their strokes. */
const MOST_MARKED_BYTES = 4 * 1024 * 1024;

/** Longer side of a file, px. */
export const MOST_TRY_ON_PIXELS = 8000;
/** As it is seen, in pixels. */
export const TRY_ON_PICTURES = ['png', 'jpeg', 'webp'] as const;
/** Of what lies flat, also as shapes, and on sheets of paper at its true size. */
export const TRY_ON_FORMATS = [...TRY_ON_PICTURES, 'svg', 'pdf'] as const;

/** Whether a format holds pixels. */
export const isPicture = (format: unknown): format is (typeof TRY_ON_PICTURES)[number] =>
  TRY_ON_PICTURES.some((one) => one === format);

export const listProducts = route({
  method: 'GET',
  path: '/products',
  summary: 'Lists what swatches can be tried on: the products that ship, then the studio’s own.',
  answer: array(productSchema).required(),
  problems: [],
});

export const readProduct = route({
  method: 'GET',
  path: '/products/{id}',
  summary: 'Reads a product with its drawing, as artwork.',
  params: byId,
  answer: exactly({ product: productSchema, drawing: productDrawingSchema }),
  problems: [404],
});

export const importProduct = route({
  method: 'POST',
  path: '/products',
  summary: 'Makes a product of a file: of an SVG its closed shapes, of a photograph the faces that are marked on it.',
  query: object({ name: string().required().max(1000) }).noUnknown(),
  body: FILE,
  limit: MOST_UPLOAD_BYTES,
  answer: productSchema,
  status: 201,
  problems: [413, 415, 422],
});

export const makeProductOfMotif = route({
  method: 'POST',
  path: '/products/of-motif',
  summary: 'Makes a product of a motif: its closed shapes become pieces, at the size that it has.',
  body: exactly({ motif: idSchema }),
  answer: productSchema,
  status: 201,
  problems: [404, 422],
});

export const changeProduct = route({
  method: 'PATCH',
  path: '/products/{id}',
  summary: 'Renames a product of the studio’s own, or makes all that is drawn of it larger or smaller.',
  params: byId,
  body: exactly({
    name: nameSchema.optional(),
    /** How many times as large. */
    by: between(1e-3, 1e3).optional(),
  }),
  answer: productSchema,
  problems: [404, 409, 422],
});

export const readPhotograph = route({
  method: 'GET',
  path: '/products/{id}/photograph',
  summary: 'Reads the photograph of a product, and what is marked on it.',
  params: byId,
  answer: exactly({
    name: nameSchema,
    /** Its content address, and its size in pixels. */
    blob: addressSchema,
    width: whole(1, 1e5),
    height: whole(1, 1e5),
    marked: markedSchema,
  }),
  problems: [404, 409],
});

export const markPhotograph = route({
  method: 'PUT',
  path: '/products/{id}/photograph',
  summary:
    'Marks the faces of a photograph and what lies in front of them, and how much of its light lies on the cloth.',
  params: byId,
  body: markedSchema,
  limit: MOST_MARKED_BYTES,
  answer: productSchema,
  problems: [404, 409, 413, 422],
});

export const deleteProduct = route({
  method: 'DELETE',
  path: '/products/{id}',
  summary: 'Deletes a product of the studio’s own; try-ons on it stay, and it can be restored.',
  params: byId,
  problems: [404],
});

export const restoreProduct = route({
  method: 'POST',
  path: '/products/{id}/restore',
  summary: 'Restores a deleted product.',
  params: byId,
  problems: [404],
});

export const readProductPicture = route({
  method: 'GET',
  path: '/products/{id}/picture',
  summary: 'A picture of a product in plain white cloth: the drawing of one that ships, or a small picture.',
  params: byId,
  answer: FILE,
  problems: [404],
});

export const readPattern = route({
  method: 'GET',
  path: '/patterns',
  summary: 'Reads what a try-on is made of: a design as it is now, or a version of a swatch, with its motifs.',
  query: object({
    ...patternSourceFields,
    /** What is known already; where that is still so, nothing is answered anew. */
    known: string().max(200).optional(),
  })
    .noUnknown()
    .test('one-source', 'it has to name a design or a swatch', ofWhole(namesOneSource)),
  answer: exactly({
    name: nameSchema,
    /** The same text as long as nothing about it changes. */
    state: string().required(),
    /** Null where it is as it was known. */
    pattern: exactly({ design: designSchema, motifs: array(motifSchema.required()).required() })
      .nullable()
      .default(undefined)
      .defined(),
  }),
  problems: [404, 422],
});

const storedTryOnSchema = exactly({ id: idSchema, revision: whole(1, 1e9), tryOn: tryOnSchema });
export type StoredTryOn = Immutable<InferType<typeof storedTryOnSchema>>;

const tryOnSummarySchema = exactly({
  id: idSchema,
  revision: whole(1, 1e9),
  name: nameSchema,
  product: idSchema,
  /** All that it is made of: first what all pieces have, then what single pieces have instead. */
  sources: array(patternSourceSchema.required()).min(1).required(),
  changedAt: string().required(),
});
export type TryOnSummary = Immutable<InferType<typeof tryOnSummarySchema>>;

export const listTryOns = route({
  method: 'GET',
  path: '/try-ons',
  summary: 'Lists the try-ons, the one changed last first.',
  answer: array(tryOnSummarySchema).required(),
  problems: [],
});

export const createTryOn = route({
  method: 'POST',
  path: '/try-ons',
  summary: 'Keeps a new try-on.',
  body: exactly({ tryOn: tryOnSchema }),
  answer: storedTryOnSchema,
  status: 201,
  problems: [404, 422],
});

export const readTryOn = route({
  method: 'GET',
  path: '/try-ons/{id}',
  summary: 'Reads a try-on.',
  params: byId,
  answer: storedTryOnSchema,
  problems: [404],
});

export const saveTryOn = route({
  method: 'PUT',
  path: '/try-ons/{id}',
  summary: 'Saves a try-on over the revision that it was changed from.',
  params: byId,
  body: exactly({
    revision: whole(1, 1e9),
    tryOn: tryOnSchema,
    /** Names this save, so that it counts once however often it is sent. */
    save: string().min(8).max(64).optional(),
  }),
  answer: exactly({ revision: whole(1, 1e9) }),
  problems: [404, 409, 422],
});

export const deleteTryOn = route({
  method: 'DELETE',
  path: '/try-ons/{id}',
  summary: 'Deletes a try-on; it can be restored.',
  params: byId,
  problems: [404],
});

export const restoreTryOn = route({
  method: 'POST',
  path: '/try-ons/{id}/restore',
  summary: 'Restores a deleted try-on.',
  params: byId,
  problems: [404],
});

export const readTryOnPicture = route({
  method: 'GET',
  path: '/try-ons/{id}/picture',
  summary: 'A small picture of a try-on as it is now.',
  params: byId,
  query: object({
    /** What is asked for, so that browsers keep a picture of each revision apart. */
    revision: number().integer().optional(),
  }).noUnknown(),
  answer: FILE,
  problems: [404],
});

export const exportTryOns = route({
  method: 'POST',
  path: '/try-ons/files',
  summary: 'Writes try-ons as pictures, as shapes, or on sheets of paper: one file, or several in one ZIP.',
  body: exactly({
    tryOns: array(idSchema).required().min(1).max(50),
    /** Of the pattern that all pieces share: each try-on is written in each of them; as it is where missing. */
    colourways: array(idSchema.required()).min(1).max(50).optional().default(undefined),
    format: string().oneOf(TRY_ON_FORMATS).required(),
    /** Of the longer side of a picture, px. */
    side: whole(16, MOST_TRY_ON_PIXELS).optional(),
    /** What a PDF is printed on. */
    sheet: cutWishSchema.optional().default(undefined),
  })
    .test(
      'side',
      'a picture needs the length of its side',
      ofWhole(({ format, side }) => !isPicture(format) || !!side),
    )
    .test(
      'sheet',
      'a PDF needs to know its paper',
      ofWhole(({ format, sheet }) => format !== 'pdf' || !!sheet),
    ),
  answer: jobSchema,
  result: exactly({
    href: string().required(),
    fileName: string().required(),
    bytes: number().required(),
    files: array(
      exactly({
        fileName: string().required(),
        /** Pixels of a picture, units of a drawing, or mm of paper. */
        width: between(0, 1e6),
        height: between(0, 1e6),
        /** Of a PDF. */
        sheets: whole(1, 1e4).optional(),
      }),
    ).required(),
  }),
  status: 202,
  problems: [404, 422, 429],
});
