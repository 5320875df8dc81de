import type { Face } from '../../core/tryon/index.ts';
import type { P } from '../../demo/draw/block.ts';
import type { P3 } from './camera.ts';
import { straight } from './scene.ts';

/** Where a point of the room is seen. */
export type See = (point: P3) => P;

/** A flat face of the room between corners in the order in which its cloth lies. */
export function planeAt(see: See, corners: readonly [P3, P3, P3, P3], width: number, height: number): Face {
  const seen = corners.map((corner) => {
    const [x, y] = see(corner);
    return { x: Number(x.toFixed(4)), y: Number(y.toFixed(4)) };
  });
  return { kind: 'plane', corners: seen as [Point, Point, Point, Point], width, height };
}
interface Point {
  x: number;
  y: number;
}

/** A face as far as it is seen in the picture. */
export const seenFace = (see: See, corners: readonly P3[]): string => straight(corners.map(see));
