import type { Pose } from './pose.ts';

/** Factors on a motif's natural size. */
export const SMALLEST_SCALE = 0.01;
export const LARGEST_SCALE = 50;
/** Height over width, of the motif's own proportions. */
export const SMALLEST_ASPECT = 0.02;
export const LARGEST_ASPECT = 50;
/** Degrees to either side. */
export const LARGEST_SKEW = 80;

/** A scale brought within the limits. */
export function clampScale(scale: number): number {
  return Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, scale));
}

/** Whether a pose is one that a placement may have. */
export function isWithinLimits({ scale, aspect, skew }: Pick<Pose, 'scale' | 'aspect' | 'skew'>): boolean {
  return (
    scale >= SMALLEST_SCALE &&
    scale <= LARGEST_SCALE &&
    aspect >= SMALLEST_ASPECT &&
    aspect <= LARGEST_ASPECT &&
    Math.abs(skew) <= LARGEST_SKEW
  );
}
