import { type Dressing, ontoTile, type PatternPyramid } from './dress.ts';
import { FULL, TO_SRGB } from './linearLight.ts';
import { clothOntoPattern } from './patternMatrix.ts';
import type { Pyramid, PyramidLevel } from './pyramid.ts';
import { type Stage, type StagePiece, writePixel } from './stage.ts';

/** What is kept of a piece for drawing it roughly. */
interface RoughPiece {
  readonly staged: StagePiece;
  /** Of the pixels that nothing but this piece is seen in: where they are in the picture, where on the cloth, mm, and their light. */
  readonly pixels: Uint32Array;
  readonly cloth: Float32Array;
  readonly lights: Float32Array;
  /** Half the binary logarithm of the area of cloth that each covers, square mm. */
  readonly sizes: Float32Array;
  /** Which of the piece's other pixels it is seen in beside something else, and their sizes. */
  readonly mixed: Uint32Array;
  readonly mixedSizes: Float32Array;
}

interface RoughStage {
  readonly pieces: readonly RoughPiece[];
  /** The places of mixed pixels among the covered ones. */
  readonly mixed: Uint32Array;
}

/** Found once for each stage: it stays while the hand moves. */
const known = new WeakMap<Stage, RoughStage>();

/**
 * Dresses a product coarsely, in a small part of the time, while the hand moves: each pixel shows the nearest pixel of the level whose
 * pixels are about as large.
 *
 * @param dressings by piece
 * @returns RGBA, sRGB, opaque, of the stage's size
 */
export function dressRoughly(stage: Stage, dressings: ReadonlyMap<string, Dressing>): Uint8ClampedArray<ArrayBuffer> {
  const { covered, over, light } = stage;
  let rough = known.get(stage);
  if (!rough) known.set(stage, (rough = roughStage(stage)));
  const out = new Uint8ClampedArray(stage.still);
  const lit = new Float32Array(stage.under);
  for (const { staged, mixed, mixedSizes, ...piece } of rough.pieces) {
    const dressing = dressings.get(staged.piece.id);
    if (!dressing) continue;
    const sampler = dressing.pattern && new RoughSampler(dressing.pattern, staged, dressing);
    layPlain(piece, sampler, out);
    const { at: places, cloth, cover } = staged;
    for (let k = 0; k < mixed.length; k += 1) {
      const n = mixed[k] as number;
      const place = places[n] as number;
      const at = sampler?.find(cloth[n * 6] as number, cloth[n * 6 + 1] as number, mixedSizes[k] as number) ?? 0;
      const data = sampler?.data;
      const bare = data ? FULL - (data[at + 3] as number) : FULL;
      for (let c = 0; c < 3; c += 1) {
        const below = lit[place * 3 + c] as number;
        const seen = ((data ? (data[at + c] as number) : 0) + bare) * (light[place] as number);
        lit[place * 3 + c] = below + (seen - below) * (cover[n] as number);
      }
    }
  }
  for (const place of rough.mixed) writePixel(lit, over, place, out, covered[place] as number);
  return out;
}

/** Finds the pixel of a pattern's tile that is nearest to a point of a piece's cloth. */
class RoughSampler {
  readonly #levels: Pyramid;
  readonly #grown: number;
  readonly #ux: number;
  readonly #uy: number;
  readonly #u: number;
  readonly #vx: number;
  readonly #vy: number;
  readonly #v: number;
  /** Of the level that was looked at last. */
  data: Uint16Array;

  constructor(pattern: PatternPyramid, { piece }: StagePiece, { fill }: Dressing) {
    const first = pattern.levels[0] as PyramidLevel;
    const [a, b, c, d, e, f] = ontoTile(pattern, clothOntoPattern(piece, fill));
    this.#levels = pattern.levels;
    this.#grown = Math.log2(Math.abs(a * d - b * c)) / 2 + 0.5;
    this.#ux = a / first.width;
    this.#uy = c / first.width;
    this.#u = e / first.width;
    this.#vx = b / first.height;
    this.#vy = d / first.height;
    this.#v = f / first.height;
    this.data = first.data;
  }

  /** Where its numbers begin in `data`. @param size half the binary logarithm of the area that is seen, square mm */
  find(x: number, y: number, size: number): number {
    const u = this.#ux * x + this.#uy * y + this.#u;
    const v = this.#vx * x + this.#vy * y + this.#v;
    const last = this.#levels.length - 1;
    const wished = (size + this.#grown) | 0;
    const { width, height, data } = this.#levels[wished < 0 ? 0 : wished > last ? last : wished] as PyramidLevel;
    this.data = data;
    const i = ((u - Math.floor(u)) * width) | 0;
    const j = ((v - Math.floor(v)) * height) | 0;
    return (j * width + i) * 4;
  }
}

function layPlain(
  { pixels, cloth, lights, sizes }: Pick<RoughPiece, 'pixels' | 'cloth' | 'lights' | 'sizes'>,
  sampler: RoughSampler | undefined,
  out: Uint8ClampedArray,
): void {
  for (let n = 0; n < pixels.length; n += 1) {
    const to = (pixels[n] as number) * 4;
    const light = lights[n] as number;
    let red = FULL;
    let green = FULL;
    let blue = FULL;
    if (sampler) {
      const at = sampler.find(cloth[n * 2] as number, cloth[n * 2 + 1] as number, sizes[n] as number);
      const data = sampler.data;
      const bare = FULL - (data[at + 3] as number);
      red = (data[at] as number) + bare;
      green = (data[at + 1] as number) + bare;
      blue = (data[at + 2] as number) + bare;
    }
    red = red * light + 0.5;
    green = green * light + 0.5;
    blue = blue * light + 0.5;
    out[to] = TO_SRGB[red > FULL ? FULL : red | 0] as number;
    out[to + 1] = TO_SRGB[green > FULL ? FULL : green | 0] as number;
    out[to + 2] = TO_SRGB[blue > FULL ? FULL : blue | 0] as number;
    out[to + 3] = 255;
  }
}

/** A pixel that no single piece is seen in. */
const MIXED = -1;

function roughStage({ covered, over, light, pieces }: Stage): RoughStage {
  // The piece on top of each pixel, where it hides all else and nothing lies over it.
  const owner = new Int8Array(covered.length).fill(MIXED);
  pieces.forEach(({ at, cover }, number) =>
    at.forEach((place, n) => {
      owner[place] = cover[n] === 1 && over[place * 4 + 3] === 0 ? number : MIXED;
    }),
  );
  return {
    pieces: pieces.map((staged, number) => {
      const all = Array.from(staged.at.keys());
      const own = all.filter((n) => owner[staged.at[n] as number] === number);
      const mixed = all.filter((n) => owner[staged.at[n] as number] === MIXED);
      const placeOf = (n: number): number => staged.at[n] as number;
      return {
        staged,
        pixels: Uint32Array.from(own, (n) => covered[placeOf(n)] as number),
        cloth: Float32Array.from(
          own.flatMap((n) => [staged.cloth[n * 6] as number, staged.cloth[n * 6 + 1] as number]),
        ),
        lights: Float32Array.from(own, (n) => light[placeOf(n)] as number),
        sizes: Float32Array.from(own, (n) => sizeOf(staged, n)),
        mixed: Uint32Array.from(mixed),
        mixedSizes: Float32Array.from(mixed, (n) => sizeOf(staged, n)),
      };
    }),
    mixed: Uint32Array.from(Array.from(owner.keys()).filter((place) => owner[place] === MIXED)),
  };
}

/** Half the binary logarithm of the area of cloth that a pixel of a piece covers, square mm. */
function sizeOf({ cloth }: StagePiece, n: number): number {
  const o = n * 6;
  const [ux, vx] = [cloth[o + 2] as number, cloth[o + 3] as number];
  const [uy, vy] = [cloth[o + 4] as number, cloth[o + 5] as number];
  return Math.log2(Math.max(1e-12, Math.abs(ux * vy - vx * uy))) / 2;
}
