import { array, object, type InferType } from 'yup';
import { between, distinctById, idSchema, type Immutable, nameSchema, taggedUnion } from '../schema/index.ts';
import { mesh } from './face/mesh.ts';
import { plane } from './face/plane.ts';
import { maskSchema } from './photoMask.ts';
import { MOST_PIECES } from './product.ts';

/** The schema of a face that was marked on a photograph: flat, by its corners, or over a bulge, by a grid of points. */
export const markedFaceSchema = object({
  id: idSchema,
  name: nameSchema,
  face: taggedUnion('kind', { plane: plane.schema, mesh: mesh.schema }, 'face'),
  /** What was brushed and picked of it, in order; all of it is cloth where missing. */
  mask: maskSchema.optional().default(undefined),
}).noUnknown();
export type MarkedFace = Immutable<InferType<typeof markedFaceSchema>>;

/** The schema of all that is marked on a photograph. */
export const markedSchema = object({
  faces: distinctById(array(markedFaceSchema).required().min(1).max(MOST_PIECES), 'faces'),
  /** How much of the photograph's own light and folds lies on the cloth, 0 to 1. */
  light: between(0, 1),
})
  .noUnknown()
  .required();
export type Marked = Immutable<InferType<typeof markedSchema>>;
