import { array, boolean, number, object, string, type InferType } from 'yup';
import { motifSchema } from '../core/motif/index.ts';
import { recipeSchema } from '../core/recipe/index.ts';
import { addressSchema, idSchema, type Immutable, nameSchema, whole } from '../core/schema/index.ts';
import { exactly, FILE, route } from './route.ts';

/** Largest file that is imported as a motif or a scan, bytes. */
export const MOST_UPLOAD_BYTES = 40 * 1024 * 1024;
/** Largest collection's file, bytes. */
export const MOST_COLLECTION_BYTES = 300 * 1024 * 1024;
/** Five hundred parts are some hundred kilobytes. */
export const MOST_RECIPE_BYTES = 1024 * 1024;
/** Motifs in one page of the drawer. */
export const MOST_IN_PAGE = 200;

const byId = exactly({ id: idSchema });
export const collectionSchema = string().trim().min(1).max(120);
const tagsSchema = array(string().trim().min(1).max(60).required()).max(50);
/** Natural widths beyond these are slips of the hand, mm. */
const widthSchema = number().min(0.5).max(5000);
/** The file's name, from which the motif's is made. */
const uploadQuery = object({
  name: string().required().max(1000),
  collection: collectionSchema.default('My motifs'),
}).noUnknown();

/** A motif with the picture that the tray shows and what the drawer knows of it. */
export const storedMotifSchema = motifSchema
  .shape({
    /** Content address of its small picture. */
    thumbnail: addressSchema,
    tags: tagsSchema.required(),
  })
  .required();

/** A motif that a design names. */
export const designMotifSchema = storedMotifSchema
  .shape({
    /** No longer in the drawer, but still on the cloth of a design. */
    deleted: boolean().required(),
  })
  .required();

/** A motif as the drawer lists it. */
const listedMotifSchema = designMotifSchema
  .shape({
    /** Designs it is used in. */
    uses: whole(0, 1e6),
    createdAt: string().required(),
  })
  .required();

export type StoredMotif = Immutable<InferType<typeof storedMotifSchema>>;
export type DesignMotif = Immutable<InferType<typeof designMotifSchema>>;
export type ListedMotif = Immutable<InferType<typeof listedMotifSchema>>;

const importedSchema = exactly({
  motif: storedMotifSchema,
  /** Short sentences about what is not as it was in the file. */
  notes: array(string().required()).required(),
  /** Fonts that the studio has not got, each with the one that stands in for it. */
  fonts: array(exactly({ asked: string().required(), standIn: string().required() })).required(),
});
/** A motif and what there is to say about its import. */
export type ImportReport = Immutable<InferType<typeof importedSchema>>;

export const ORDERS = ['newest', 'name', 'used', 'size'] as const;
export type MotifOrder = (typeof ORDERS)[number];

const pageQuery = object({
  /** Every word has to be in its name, its collection or its tags. */
  words: string().max(200).optional(),
  collection: string().max(120).optional(),
  order: string().oneOf(ORDERS).default('newest'),
  offset: number().integer().min(0).max(1e9).default(0),
  limit: number().integer().min(1).max(MOST_IN_PAGE).default(60),
}).noUnknown();

export const listMotifs = route({
  method: 'GET',
  path: '/motifs',
  summary: 'One page of the drawer, searched and ordered.',
  query: pageQuery,
  answer: exactly({ motifs: array(listedMotifSchema).required(), total: whole(0, 1e7) }),
  problems: [],
});

export const listCollections = route({
  method: 'GET',
  path: '/motifs/collections',
  summary: 'Lists the collections by name, and how many motifs are in each.',
  answer: array(exactly({ name: collectionSchema.required(), count: whole(1, 1e7) })).required(),
  problems: [],
});

export const readMotif = route({
  method: 'GET',
  path: '/motifs/{id}',
  summary: 'Reads a motif, also a deleted one.',
  params: byId,
  answer: listedMotifSchema,
  problems: [404],
});

export const importMotif = route({
  method: 'POST',
  path: '/motifs',
  summary: 'Imports a file as a motif. A file that is in the drawer already is recognised.',
  query: uploadQuery,
  body: FILE,
  limit: MOST_UPLOAD_BYTES,
  answer: importedSchema,
  status: 201,
  problems: [413, 415, 422],
});

export const replaceArtwork = route({
  method: 'PUT',
  path: '/motifs/{id}/artwork',
  summary: 'Gives a motif the artwork of another file, wherever it is used.',
  params: byId,
  query: uploadQuery,
  body: FILE,
  limit: MOST_UPLOAD_BYTES,
  answer: importedSchema,
  problems: [404, 413, 415, 422],
});

export const rereadMotif = route({
  method: 'POST',
  path: '/motifs/{id}/reread',
  summary: 'Reads a motif’s own file again, with the fonts that the studio has now.',
  params: byId,
  answer: importedSchema,
  problems: [404, 413, 415, 422],
});

export const makeMotif = route({
  method: 'POST',
  path: '/motifs/made',
  summary: 'Makes a motif by a recipe.',
  body: exactly({ name: nameSchema, collection: collectionSchema.required(), recipe: recipeSchema }),
  limit: MOST_RECIPE_BYTES,
  answer: storedMotifSchema,
  status: 201,
  problems: [413, 422],
});

export const remakeMotif = route({
  method: 'PUT',
  path: '/motifs/{id}/recipe',
  summary: 'Makes a motif anew by another recipe.',
  params: byId,
  body: exactly({
    recipe: recipeSchema,
    /** The artwork that is to be changed; where it is another by now, nothing is. */
    from: addressSchema.optional(),
  }),
  limit: MOST_RECIPE_BYTES,
  answer: storedMotifSchema,
  problems: [404, 409, 413, 422],
});

export const changeMotif = route({
  method: 'PATCH',
  path: '/motifs/{id}',
  summary: 'Changes the name, natural width, collection or tags of a motif.',
  params: byId,
  body: exactly({
    name: nameSchema.optional(),
    width: widthSchema.optional(),
    collection: collectionSchema.optional(),
    tags: tagsSchema.optional(),
    /** The tags as they were known: what another window did to them meanwhile stays then. */
    tagsWere: tagsSchema.optional(),
  }),
  answer: storedMotifSchema,
  problems: [404],
});

export const listMotifUses = route({
  method: 'GET',
  path: '/motifs/{id}/uses',
  summary: 'Lists the designs that use a motif, by itself or in a bundle, and how often.',
  params: byId,
  answer: array(exactly({ id: idSchema, name: nameSchema, count: whole(1, 1e6) })).required(),
  problems: [404],
});

export const duplicateMotif = route({
  method: 'POST',
  path: '/motifs/{id}/duplicate',
  summary: 'Copies a motif under a name of its own.',
  params: byId,
  body: object({ name: nameSchema.optional() }).noUnknown().optional().default(undefined),
  answer: storedMotifSchema,
  status: 201,
  problems: [404],
});

export const deleteMotif = route({
  method: 'DELETE',
  path: '/motifs/{id}',
  summary: 'Deletes a motif from the drawer; cloth that it lies on keeps it.',
  params: byId,
  problems: [404],
});

export const restoreMotif = route({
  method: 'POST',
  path: '/motifs/{id}/restore',
  summary: 'Restores a deleted motif.',
  params: byId,
  problems: [404],
});

export const readCollectionFile = route({
  method: 'GET',
  path: '/collections/file',
  summary: 'A collection as one ZIP: a list in JSON, each motif as SVG and PNG, and the files they were made from.',
  query: exactly({ name: collectionSchema.required() }),
  answer: FILE,
  problems: [404],
});

export const importCollection = route({
  method: 'POST',
  path: '/collections',
  summary: 'Imports a collection’s file into the drawer.',
  body: FILE,
  limit: MOST_COLLECTION_BYTES,
  answer: exactly({
    name: collectionSchema.required(),
    motifs: array(idSchema).required(),
    /** How many of them were in the drawer already. */
    known: whole(0, 1e6),
  }),
  status: 201,
  problems: [413, 422],
});

export const readBlob = route({
  method: 'GET',
  path: '/blobs/{address}',
  summary: 'Kept content by its address, which never changes.',
  params: exactly({ address: string().required().max(200) }),
  answer: FILE,
  problems: [404],
});

export const readSmallPicture = route({
  method: 'GET',
  path: '/blobs/{address}/small',
  summary: 'A picture among the kept contents as a WebP of at most 480 pixels a side, for a card.',
  params: exactly({ address: string().required().max(200) }),
  answer: FILE,
  problems: [404, 422],
});
