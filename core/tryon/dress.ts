import { compose, type Matrix, scalingMatrix } from '../geometry/index.ts';
import type { PixelGrid } from '../lattice/index.ts';
import { FULL } from './linearLight.ts';
import { clothOntoPattern } from './patternMatrix.ts';
import type { Pyramid } from './pyramid.ts';
import type { Stage } from './stage.ts';
import { writePixel } from './stageLight.ts';
import type { StagePiece } from './stagePiece.ts';
import { TileSampler } from './tileSampler.ts';
import type { Fill } from './tryOn.ts';

/** A pattern ready to be laid on cloth: its tile, painted on a grid, in all sizes. */
export interface PatternPyramid {
  readonly grid: Pick<PixelGrid, 'scaleX' | 'scaleY'>;
  readonly levels: Pyramid;
}

/** The pattern of a piece, and how it lies on it; bare white cloth without one. */
export interface Dressing {
  readonly pattern: PatternPyramid | undefined;
  readonly fill: Fill;
}

/**
 * Dresses a product: every piece is filled with its pattern, light is multiplied in linear light, and what lies over it is laid on top.
 *
 * @param dressings by piece
 * @returns RGBA, sRGB, opaque, of the stage's size
 */
export function dress(stage: Stage, dressings: ReadonlyMap<string, Dressing>): Uint8ClampedArray<ArrayBuffer> {
  const { covered, over } = stage;
  const lit = new Float32Array(stage.under);
  for (const piece of stage.pieces) {
    const dressing = dressings.get(piece.piece.id);
    if (dressing) layPiece(stage, piece, dressing, lit);
  }
  const out = new Uint8ClampedArray(stage.still);
  for (let n = 0; n < covered.length; n += 1) writePixel(lit, over, n, out, covered[n] as number);
  return out;
}

function layPiece(
  { light: lights }: Stage,
  { piece, at, cover, cloth }: StagePiece,
  { pattern, fill }: Dressing,
  lit: Float32Array,
): void {
  const sample = new Float64Array(4);
  const sampler = pattern && new TileSampler(pattern.levels);
  const [a, b, c, d, e, f] = pattern ? ontoTile(pattern, clothOntoPattern(piece, fill)) : [0, 0, 0, 0, 0, 0];
  for (let n = 0, o = 0; n < at.length; n += 1, o += 6) {
    if (sampler) {
      const u = cloth[o] as number;
      const v = cloth[o + 1] as number;
      const ux = cloth[o + 2] as number;
      const vx = cloth[o + 3] as number;
      const uy = cloth[o + 4] as number;
      const vy = cloth[o + 5] as number;
      const x = a * u + c * v + e;
      const y = b * u + d * v + f;
      const ax = a * ux + c * vx;
      const ay = b * ux + d * vx;
      sampler.sample(x, y, ax, ay, a * uy + c * vy, b * uy + d * vy, sample);
    }
    const place = at[n] as number;
    const light = lights[place] as number;
    const share = cover[n] as number;
    // White cloth shows where nothing is printed.
    const bare = FULL - (sample[3] as number);
    for (let k = 0; k < 3; k += 1) {
      const below = lit[place * 3 + k] as number;
      lit[place * 3 + k] = below + (((sample[k] as number) + bare) * light - below) * share;
    }
  }
}

/** From mm of a piece's cloth to pixels of the painted tile. */
export function ontoTile({ grid: { scaleX, scaleY } }: PatternPyramid, ontoPattern: Matrix): Matrix {
  return compose(scalingMatrix(scaleX, scaleY), ontoPattern);
}
