import type { Point } from './point.ts';

/** Whether a point lies in closed polygons, holes among them, by the even–odd rule. */
export function isInsideLoops(loops: readonly (readonly Point[])[], { x, y }: Point): boolean {
  let inside = false;
  for (const loop of loops)
    for (let n = 0; n < loop.length; n += 1) {
      const [p, q] = [loop[n] as Point, loop[(n + 1) % loop.length] as Point];
      if (p.y > y !== q.y > y && x < p.x + ((y - p.y) / (q.y - p.y)) * (q.x - p.x)) inside = !inside;
    }
  return inside;
}
