import { FULL, TO_LINEAR, TO_SRGB } from './linearLight.ts';

/** So many numbers of each of some pixels, one pixel after another. */
export function gathered<T extends Float32Array | Uint8ClampedArray>(
  from: T,
  pixels: Uint32Array,
  channels: number,
): T {
  const out = new (from.constructor as new (length: number) => T)(pixels.length * channels);
  for (let n = 0, o = 0; n < pixels.length; n += 1)
    for (let c = 0; c < channels; c += 1, o += 1) out[o] = from[(pixels[n] as number) * channels + c] as number;
  return out;
}

/** What is seen where no cloth is. @param behind what shows through, RGB, linear */
export function laidOver(
  below: Uint8ClampedArray,
  over: Uint8ClampedArray,
  behind: readonly number[],
): Uint8ClampedArray {
  const out = new Uint8ClampedArray(below);
  const lit = new Float32Array(3);
  for (let i = 0; i < out.length; i += 4) {
    // Most pixels are opaque with nothing over them, and stay as they are.
    if (below[i + 3] === 255 && over[i + 3] === 0) continue;
    writeUnder(below, i, behind, lit, 0);
    writePixel(lit, over.subarray(i, i + 4), 0, out, i / 4);
  }
  return out;
}

/** Writes the nth of lit pixels, with what lies over it, into a picture. */
export function writePixel(
  lit: Float32Array,
  over: Uint8ClampedArray,
  n: number,
  out: Uint8ClampedArray,
  pixel: number,
): void {
  const alpha = (over[n * 4 + 3] as number) / 255;
  for (let c = 0; c < 3; c += 1) {
    let light = lit[n * 3 + c] as number;
    if (alpha > 0) light += ((TO_LINEAR[over[n * 4 + c] as number] as number) - light) * alpha;
    out[pixel * 4 + c] = TO_SRGB[light >= FULL ? FULL : (light + 0.5) | 0] as number;
  }
  out[pixel * 4 + 3] = 255;
}

/** Writes the light of the pixel that begins at `i`, on what is behind it. */
function writeUnder(
  below: Uint8ClampedArray,
  i: number,
  behind: readonly number[],
  out: Float32Array,
  o: number,
): void {
  const alpha = (below[i + 3] as number) / 255;
  for (let c = 0; c < 3; c += 1)
    out[o + c] = alpha * (TO_LINEAR[below[i + c] as number] as number) + (1 - alpha) * (behind[c] as number);
}

/** The light of covered pixels below the cloth: RGB, linear. */
export function underLight(below: Uint8ClampedArray, covered: Uint32Array, behind: readonly number[]): Float32Array {
  const out = new Float32Array(covered.length * 3);
  for (let n = 0; n < covered.length; n += 1) writeUnder(below, (covered[n] as number) * 4, behind, out, n * 3);
  return out;
}

/** What the light of the cloth in covered pixels is multiplied by, from a drawing of light. */
export function lightFactors(pixels: Uint8ClampedArray, covered: Uint32Array): Float32Array {
  const out = new Float32Array(covered.length);
  for (let n = 0; n < covered.length; n += 1) {
    const i = (covered[n] as number) * 4;
    const alpha = (pixels[i + 3] as number) / 255;
    out[n] = 1 + alpha * (((pixels[i] as number) / 255) * 2 - 1);
  }
  return out;
}
