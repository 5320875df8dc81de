import { contours } from 'd3-contour';
import type { Point } from '../geometry/index.ts';

/**
 * The outlines of where values are above a threshold, by marching squares: holes run against the outlines about them.
 *
 * @param values one for each place, row after row
 * @returns closed lines in places; the first place reaches from 0 to 1
 */
export function contourLoops(values: Float64Array, width: number, height: number, threshold: number): Point[][] {
  // Its types know plain arrays alone, but it reads typed ones as well, and faster.
  const [area] = contours().size([width, height]).thresholds([threshold])(values as unknown as number[]);
  return (area?.coordinates ?? [])
    .flat()
    .filter((ring) => ring.length > 3)
    .map((ring) => ring.slice(0, -1).map(([x = 0, y = 0]) => ({ x, y })));
}
