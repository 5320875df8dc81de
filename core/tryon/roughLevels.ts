import { FULL, TO_LINEAR, TO_SRGB } from './linearLight.ts';
import type { Pyramid, PyramidLevel } from './pyramid.ts';

/** A level of a pyramid as it looks on white cloth: a pixel in each number, sRGB, as it lies in a picture. */
export interface RoughLevel {
  readonly width: number;
  readonly height: number;
  readonly pixels: Int32Array;
}

/** A pyramid's levels as pixels of sRGB, each made when it is first looked at. */
export class RoughLevels {
  readonly #levels: Pyramid;
  readonly #made: (RoughLevel | undefined)[];

  constructor(levels: Pyramid) {
    this.#levels = levels;
    this.#made = levels.map(() => undefined);
  }

  /** The level of a number, or the nearest that there is. */
  at(wished: number): RoughLevel {
    const level = Math.max(0, Math.min(wished, this.#levels.length - 1));
    return (this.#made[level] ??= onWhite(this.#levels[level] as PyramidLevel));
  }
}

export const OPAQUE = 0xff000000 | 0;

function onWhite({ width, height, data }: PyramidLevel): RoughLevel {
  const pixels = new Int32Array(width * height);
  for (let n = 0, from = 0; n < pixels.length; n += 1, from += 4) {
    const bare = FULL - (data[from + 3] as number);
    const red = TO_SRGB[(data[from] as number) + bare] as number;
    const green = TO_SRGB[(data[from + 1] as number) + bare] as number;
    const blue = TO_SRGB[(data[from + 2] as number) + bare] as number;
    pixels[n] = OPAQUE | (blue << 16) | (green << 8) | red;
  }
  return { width, height, pixels };
}

/** Steps of light up to that of plain cloth: finer than the eye sees while the hand moves. */
const STEPS = 128;
/** The brightest of all, so that a step is a byte. */
const BRIGHTEST = 255;

/** Which step of light a factor is. */
export function stepOfLight(factor: number): number {
  return Math.min(BRIGHTEST, Math.max(0, Math.round(factor * STEPS)));
}

/** sRGB, 0 to 255, under each step of light: 256 numbers for each. */
export const LIT = Uint8Array.from({ length: 256 * (BRIGHTEST + 1) }, (_, n) => {
  const light = ((TO_LINEAR[n % 256] as number) * Math.floor(n / 256)) / STEPS;
  return TO_SRGB[Math.min(FULL, Math.round(light))] as number;
});
