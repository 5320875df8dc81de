import { type Matrix, transform } from '../geometry/index.ts';
import type { PathText } from './artwork.ts';
import { tracePath } from './pathData.ts';
import { Pen } from './pen.ts';

/** The path as the matrix carries it. */
export function transformPath(path: PathText, matrix: Matrix): PathText {
  const pen = new Pen();
  const at = (x: number, y: number): [number, number] => {
    const p = transform(matrix, { x, y });
    return [p.x, p.y];
  };
  tracePath(path, {
    moveTo: (x, y) => void pen.move(...at(x, y)),
    lineTo: (x, y) => void pen.line(...at(x, y)),
    quadraticCurveTo: (cx, cy, x, y) => void pen.quad(...at(cx, cy), ...at(x, y)),
    bezierCurveTo: (c1x, c1y, c2x, c2y, x, y) => void pen.curve(...at(c1x, c1y), ...at(c2x, c2y), ...at(x, y)),
    closePath: () => void pen.close(),
  });
  return pen.toString();
}
