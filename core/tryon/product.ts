import { array, number, object, string, type InferType } from 'yup';
import { hexSchema } from '../colour/index.ts';
import { between, distinctById, idSchema, type Immutable, nameSchema, ofWhole } from '../schema/index.ts';
import { type Face, faceMap, faceSchema } from './face/index.ts';

/** Pieces of one product at the most. */
export const MOST_PIECES = 24;

/** What products are, for the shelf that they are found on. */
export const PRODUCT_GROUPS = ['home', 'clothes', 'paper', 'screen', 'own'] as const;
export type ProductGroup = (typeof PRODUCT_GROUPS)[number];

const pieceSchema = object({
  /** The id of its outline in the drawing. */
  id: idSchema,
  name: nameSchema,
  face: faceSchema,
  /** By how many degrees its grain line is turned from the cloth's length, clockwise. */
  grain: between(-360, 360),
  /** The point of the piece that its pattern hangs from, and that it is turned and scaled about, mm of its cloth. */
  datum: object({ x: between(-1e5, 1e5), y: between(-1e5, 1e5) })
    .noUnknown()
    .required(),
}).noUnknown();

const seamEnd = object({
  /** The piece. */
  piece: idSchema,
  /** mm of its cloth. */
  x: between(-1e5, 1e5),
  y: between(-1e5, 1e5),
})
  .noUnknown()
  .required();

/** Two points of the pieces' edges that are sewn together. */
const seamSchema = object({ one: seamEnd, other: seamEnd }).noUnknown();

/** The schema of what is told of a product beside its drawing. */
export const productSchema = object({
  version: number<1>().oneOf([1]).required(),
  id: idSchema,
  name: nameSchema,
  group: string().oneOf(PRODUCT_GROUPS).required(),
  /** The size of the thing, in words, such as “450 × 450 mm”. */
  size: string().defined().max(80),
  /** Units of the drawing. */
  width: between(1, 1e5),
  height: between(1, 1e5),
  /** What is left free around what is drawn, units of the drawing; only of those that were made of an outline. */
  margin: between(0, 1e5).optional().default(undefined),
  /** What lies behind the drawing, where nothing is drawn. */
  backdrop: hexSchema,
  /** Bottom to top. */
  pieces: distinctById(array(pieceSchema).required().min(1).max(MOST_PIECES), 'pieces'),
  /** Where patterns are to meet once the pieces are sewn together. */
  seams: array(seamSchema)
    .max(4 * MOST_PIECES)
    .optional()
    .default(undefined),
})
  .noUnknown()
  .required()
  .test(
    'seams',
    'a seam names a piece that it has not got',
    ofWhole(({ pieces, seams = [] }) =>
      seams.every(({ one, other }) => [one.piece, other.piece].every((piece) => pieces.some(({ id }) => id === piece))),
    ),
  )
  .test(
    'faces',
    'no cloth can be laid on one of its faces',
    ofWhole(({ pieces }) => pieces.every(({ face }) => faceFault(face) === undefined)),
  );

/** A thing that a swatch is tried on: pieces of cloth that know their size, beside a drawing. */
export type Product = Immutable<InferType<typeof productSchema>>;
/** One piece of its cloth. */
export type Piece = Product['pieces'][number];
export type Seam = NonNullable<Product['seams']>[number];

/** Says in a sentence why no cloth can be laid on a face, or nothing where it can. */
export function faceFault(face: Face): string | undefined {
  try {
    faceMap(face);
    return undefined;
  } catch (error) {
    if (error instanceof RangeError) return error.message;
    throw error;
  }
}
