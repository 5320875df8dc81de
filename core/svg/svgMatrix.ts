import { IDENTITY, type Matrix } from '../geometry/index.ts';

/** The one transform that normalised SVG writes: `matrix(a b c d e f)`. */
export function readMatrix(text: string | undefined): Matrix {
  if (!text) return IDENTITY;
  const numbers = /^\s*matrix\(([^)]*)\)\s*$/
    .exec(text)?.[1]
    ?.trim()
    .split(/[\s,]+/)
    .map(Number);
  if (numbers?.length !== 6 || !numbers.every(Number.isFinite))
    throw new SyntaxError(`expected matrix(…), got ${text}`);
  return numbers as unknown as Matrix;
}
