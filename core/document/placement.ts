import { compose, transform, translationMatrix, type Matrix } from '../geometry/matrix.ts';
import { poseMatrix, type Pose } from '../geometry/pose.ts';
import { boxAround, type Box } from '../geometry/box.ts';
import type { Point } from '../geometry/point.ts';
import type { Motif } from '../motif/motif.ts';
import type { Blend } from './blend.ts';

/** One motif at one place: its centre, in mm and brought into the cell, and its size as a factor on the natural one. It exists once; its echoes are arithmetic. */
export interface Placement extends Pose {
  readonly id: string;
  readonly motif: string;
  readonly layer: string;
  /** 0 to 1. */
  readonly opacity: number;
  /** How its colours meet those below. */
  readonly blend: Blend;
}

/** What of a placement can be changed where it lies in the stack; another layer is another place in that. */
export type PlacementChange = Partial<Omit<Placement, 'id' | 'layer'>>;

/** How something lies about its own place. */
export type Shape = Omit<Pose, 'x' | 'y'>;

export const SMALLEST_SCALE = 0.01;
export const LARGEST_SCALE = 50;
export const SMALLEST_ASPECT = 0.02;
export const LARGEST_ASPECT = 50;
/** Degrees to either side. */
export const LARGEST_SKEW = 80;

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

/** Whether a hand may lay something like this. */
export function isWithinLimits({ scale, aspect, skew }: Shape): boolean {
  return (
    scale >= SMALLEST_SCALE &&
    scale <= LARGEST_SCALE &&
    aspect >= SMALLEST_ASPECT &&
    aspect <= LARGEST_ASPECT &&
    Math.abs(skew) <= LARGEST_SKEW
  );
}
