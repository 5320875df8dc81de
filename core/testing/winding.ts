import { tracePath } from '../motif/index.ts';

/** How often a path of straight lines goes round a point. */
export function winding(path: string, px: number, py: number): number {
  let turns = 0;
  let [x, y, x0, y0] = [0, 0, 0, 0];
  const to = (u: number, v: number): void => {
    if (y <= py !== v <= py && (px - x) * (v - y) < (u - x) * (py - y) === v > y) turns += v > y ? 1 : -1;
    [x, y] = [u, v];
  };
  const straight = (): never => {
    throw new Error('a path of straight lines was expected');
  };
  tracePath(path, {
    moveTo: (u, v) => void ([x, y, x0, y0] = [u, v, u, v]),
    lineTo: to,
    quadraticCurveTo: straight,
    bezierCurveTo: straight,
    closePath: () => to(x0, y0),
  });
  return turns;
}
