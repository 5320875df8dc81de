import type { Point } from '../geometry/index.ts';
import type { PictureFrame } from '../recipe/index.ts';

/** How a frame lies on its picture, in the picture's pixels. */
export interface FrameAxes {
  /** Its upper left corner. */
  readonly corner: Point;
  /** From there to the upper right one, */
  readonly across: Point;
  /** and to the lower left one. */
  readonly down: Point;
}

/** Where a frame lies. Quarter turns are exact. */
export function frameAxes({ x, y, width, height, rotation, shear = 0 }: PictureFrame): FrameAxes {
  const angle = (rotation * Math.PI) / 180;
  const exact = (n: number): number => (rotation % 90 === 0 ? Math.round(n) : n);
  const [cos, sin] = [exact(Math.cos(angle)), exact(Math.sin(angle))];
  const lean = Math.tan((shear * Math.PI) / 180);
  const across = { x: width * cos, y: width * sin };
  const down = { x: height * (lean * cos - sin), y: height * (lean * sin + cos) };
  return { corner: { x: x - (across.x + down.x) / 2, y: y - (across.y + down.y) / 2 }, across, down };
}
