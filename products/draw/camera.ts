import type { P } from '../../demo/draw/block.ts';

/** A point of the room, mm: to the right, up, and towards the eye. */
export type P3 = readonly [x: number, y: number, z: number];

const minus = (a: P3, b: P3): P3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: P3, b: P3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: P3, b: P3): P3 => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const unit = (a: P3): P3 => {
  const length = Math.hypot(...a);
  return [a[0] / length, a[1] / length, a[2] / length];
};

/**
 * A pinhole camera.
 *
 * @param eye where it stands
 * @param aim what lies in the middle of the picture
 * @param zoom units of the picture to a mm at a distance of one mm
 * @param middle of the picture
 * @returns where a point of the room is seen
 */
export function camera(eye: P3, aim: P3, zoom: number, middle: P): (point: P3) => P {
  const ahead = unit(minus(aim, eye));
  const right = unit(cross(ahead, [0, 1, 0]));
  const up = cross(right, ahead);
  return (point) => {
    const from = minus(point, eye);
    const depth = dot(from, ahead);
    return [middle[0] + (zoom * dot(from, right)) / depth, middle[1] - (zoom * dot(from, up)) / depth];
  };
}
