import { array, number, object, string, type InferType } from 'yup';
import { storedMotifSchema } from '../../contract/index.ts';
import { addressSchema, idSchema, type Immutable, nameSchema, whole } from '../../core/schema/index.ts';

/** The list in a pack's file. */
export const PACK_LIST = 'pack.json';
export const PACK_FORMAT = 'hevrel-pack';
/** The version that is written. */
export const PACK_VERSION = 1;
/** The folder of files that are named by what is in them. */
const PACK_FILES = 'files/';

/** A motif as a pack has it; its recipe may be of any earlier version. */
const packedMotifSchema = storedMotifSchema
  .shape({ recipe: object().nullable().default(undefined).defined() })
  .required();

const path = string()
  .required()
  .max(300)
  .matches(/^swatches\/[^/\\]+\/[^/\\]+\.(png|webp)$/, '${path} has to name a picture of this pack');

/** The beginning of the year 10000, ms. */
const LAST_DATE = Date.UTC(10_000, 0);

const packedVersionSchema = object({
  note: string().defined().max(500),
  savedAt: string()
    .required()
    // Databases and calendars go no further, and nothing was saved before there were any.
    .test('date', '${path} has to be a date of the years 1970 to 9999', (text) => {
      const time = Date.parse(text);
      return time >= 0 && time < LAST_DATE;
    }),
  /** The design that it came from, and that design's revision then; 0 where that is not known. */
  designId: idSchema,
  revision: whole(0, 1e9),
  /** The design as it was, of any version of the document. */
  design: object().required(),
  /** Its motifs as they were. */
  motifs: array(packedMotifSchema).required().max(5000),
  /** Pictures of the tile and of a small part of it, for any other program. */
  tile: path,
  preview: path,
}).required();

/** What a pack's file says it holds. */
export const packListSchema = object({
  format: string().oneOf([PACK_FORMAT]).required(),
  version: number().oneOf([PACK_VERSION]).required(),
  /** The motifs of the drawer, each after those that it is made of. */
  motifs: array(packedMotifSchema).required().max(5000),
  /** Documents of any version. */
  designs: array(object().required()).required().max(500),
  swatches: array(
    object({
      id: idSchema,
      name: nameSchema,
      book: string().defined().max(120),
      tags: array(nameSchema).required().max(50),
      notes: string().defined().max(5000),
      /** From the first on. */
      versions: array(packedVersionSchema).required().min(1).max(1000),
    }).required(),
  )
    .required()
    .max(500),
}).required();

export type PackList = Immutable<InferType<typeof packListSchema>>;
export type PackedMotif = PackList['motifs'][number];

/** Where a file of an address lies in a pack. */
export function packPathOf(address: string): string {
  return `${PACK_FILES}${addressSchema.validateSync(address)}`;
}
