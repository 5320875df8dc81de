import { boxAround, type Box, type Point, smoothLoop } from '../../../core/geometry/index.ts';
import { pathBounds, type PathText, Pen, transformPath } from '../../../core/motif/index.ts';

/** What a line has to be across and down for it to be an outline and no slip of the hand, CSS pixels. */
const LEAST_SIDE = 12;

/** An outline drawn by hand, in the pixels that it was drawn on. */
export interface DrawnOutline {
  readonly path: PathText;
  readonly box: Box;
}

/** A line drawn by hand as an outline, closed and smooth, or undefined where it encloses nothing. @param line CSS pixels */
export function drawnOutline(line: readonly Point[]): DrawnOutline | undefined {
  const { left, top, right, bottom } = boxAround(line);
  if (Math.min(right - left, bottom - top) < LEAST_SIDE) return undefined;
  const path = new Pen().loop(smoothLoop(line), 1).toString();
  return { path, box: pathBounds(path) as Box };
}

/** How much higher than wide it is. */
export function proportionOf({ box }: DrawnOutline): number {
  return (box.bottom - box.top) / (box.right - box.left);
}

/** The outline filling a box that begins at the origin. */
export function outlineIn({ path, box }: DrawnOutline, width: number, height: number): PathText {
  const [x, y] = [width / (box.right - box.left), height / (box.bottom - box.top)];
  return transformPath(path, [x, 0, 0, y, -box.left * x, -box.top * y]);
}
