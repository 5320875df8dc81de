import { type Matrix, transform } from '../geometry/index.ts';
import type { PathSink } from '../motif/index.ts';

/** A sink that passes everything on transformed. */
export function through(matrix: Matrix, sink: PathSink): PathSink {
  const at = (x: number, y: number): [number, number] => {
    const p = transform(matrix, { x, y });
    return [p.x, p.y];
  };
  return {
    moveTo: (x, y) => sink.moveTo(...at(x, y)),
    lineTo: (x, y) => sink.lineTo(...at(x, y)),
    quadraticCurveTo: (cx, cy, x, y) => sink.quadraticCurveTo(...at(cx, cy), ...at(x, y)),
    bezierCurveTo: (ax, ay, bx, by, x, y) => sink.bezierCurveTo(...at(ax, ay), ...at(bx, by), ...at(x, y)),
    closePath: () => sink.closePath(),
  };
}
