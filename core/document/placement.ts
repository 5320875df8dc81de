import { boolean, object, string, type InferType } from 'yup';
import {
  type Box,
  boxAround,
  compose,
  LARGEST_ASPECT,
  LARGEST_SCALE,
  LARGEST_SKEW,
  type Matrix,
  type Point,
  type Pose,
  poseMatrix,
  SMALLEST_ASPECT,
  SMALLEST_SCALE,
  transform,
  translationMatrix,
} from '../geometry/index.ts';
import type { Motif } from '../motif/index.ts';
import { coordinate, finite, idSchema, type Immutable } from '../schema/index.ts';
import { BLENDS } from './blend.ts';

/** What of a placement can be changed where it lies in the stacking order; another layer is another place in that. */
const changeFields = {
  motif: idSchema.optional(),
  x: coordinate,
  y: coordinate,
  rotation: coordinate,
  scale: finite().min(SMALLEST_SCALE).max(LARGEST_SCALE),
  aspect: finite().min(SMALLEST_ASPECT).max(LARGEST_ASPECT),
  skew: finite().min(-LARGEST_SKEW).max(LARGEST_SKEW),
  flipped: boolean(),
  opacity: finite().min(0).max(1),
  blend: string().oneOf(BLENDS),
};

export const placementChangeSchema = object(changeFields).noUnknown().required();

/**
 * One motif at one place: its centre, in mm and brought into the fundamental domain, and its size as a factor on the
 * natural one. It exists once; its instances are arithmetic.
 */
export const placementSchema = object({
  id: idSchema,
  layer: idSchema,
  motif: idSchema,
  x: coordinate.required(),
  y: coordinate.required(),
  /** Degrees clockwise. */
  rotation: coordinate.required(),
  scale: changeFields.scale.required(),
  /** Height over width, of the motif's own proportions. */
  aspect: changeFields.aspect.required(),
  /** Degrees. */
  skew: changeFields.skew.required(),
  flipped: boolean().required(),
  /** 0 to 1. */
  opacity: changeFields.opacity.required(),
  /** How its colours blend with those below. */
  blend: changeFields.blend.required(),
})
  .noUnknown()
  .required();

export type Placement = Immutable<InferType<typeof placementSchema>>;
export type PlacementChange = Partial<Omit<Placement, 'id' | 'layer'>>;

/** How something lies about its own place. */
export type Shape = Omit<Pose, 'x' | 'y'>;

/** From artwork units to mm around the placement's centre, which stays at (0, 0). */
export function shapeMatrix(placement: Shape, motif: Pick<Motif, 'width' | 'view'>): Matrix {
  const { view } = motif;
  const scale = (motif.width / view.width) * placement.scale;
  return compose(
    poseMatrix({ ...placement, x: 0, y: 0, scale }),
    translationMatrix(-view.x - view.width / 2, -view.y - view.height / 2),
  );
}

/** The corners of the motif's extent in mm around the placement's centre: top left, top right, bottom right, bottom left. */
export function cornersAround(
  placement: Shape,
  motif: Pick<Motif, 'width' | 'view'>,
): readonly [Point, Point, Point, Point] {
  const matrix = shapeMatrix(placement, motif);
  const { x, y, width, height } = motif.view;
  const at = (px: number, py: number): Point => transform(matrix, { x: px, y: py });
  return [at(x, y), at(x + width, y), at(x + width, y + height), at(x, y + height)];
}

/** The upright box of the motif's extent in mm around the placement's centre. */
export function boxAroundCentre(placement: Shape, motif: Pick<Motif, 'width' | 'view'>): Box {
  return boxAround(cornersAround(placement, motif));
}
