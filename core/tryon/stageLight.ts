import { FULL, TO_LINEAR, TO_SRGB } from './linearLight.ts';

/** Some pixels of a picture, RGBA, one after another. */
export function pixelsAt(picture: Uint8ClampedArray, places: Uint32Array): Uint8ClampedArray {
  const from = new Uint32Array(picture.buffer, picture.byteOffset, picture.length / 4);
  const out = new Uint32Array(places.length);
  for (let n = 0; n < out.length; n += 1) out[n] = from[places[n] as number] as number;
  return new Uint8ClampedArray(out.buffer);
}

/** What is seen where no cloth is. @param behind what shows through, RGB, linear */
export function laidOver(
  below: Uint8ClampedArray,
  over: Uint8ClampedArray,
  behind: readonly number[],
): Uint8ClampedArray {
  const out = new Uint8ClampedArray(below);
  const [red, green, blue] = behind.map((light) => TO_SRGB[light] as number) as [number, number, number];
  const lit = new Float32Array(3);
  for (let i = 0; i < out.length; i += 4) {
    const hidden = over[i + 3] as number;
    const drawn = below[i + 3] as number;
    // Most pixels are one thing alone.
    if (hidden === 255) {
      out[i] = over[i] as number;
      out[i + 1] = over[i + 1] as number;
      out[i + 2] = over[i + 2] as number;
    } else if (hidden === 0 && drawn === 255) continue;
    else if (hidden === 0 && drawn === 0) {
      out[i] = red;
      out[i + 1] = green;
      out[i + 2] = blue;
    } else {
      writeUnder(below, i, behind, lit, 0);
      writePixel(lit, over.subarray(i, i + 4), 0, out, i / 4);
    }
    out[i + 3] = 255;
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
  const alpha = below[i + 3] as number;
  for (let c = 0; c < 3; c += 1) {
    const light = TO_LINEAR[below[i + c] as number] as number;
    out[o + c] = alpha === 255 ? light : (light * alpha + (behind[c] as number) * (255 - alpha)) / 255;
  }
}

/** The light of covered pixels below the cloth: RGB, linear. */
export function underLight(below: Uint8ClampedArray, covered: Uint32Array, behind: readonly number[]): Float32Array {
  const out = new Float32Array(covered.length * 3);
  for (let n = 0; n < covered.length; n += 1) writeUnder(below, (covered[n] as number) * 4, behind, out, n * 3);
  return out;
}

/** What the light of the cloth in covered pixels is multiplied by, from a drawing of light. */
export function lightFactors(pixels: Uint8ClampedArray, covered: Uint32Array): Float32Array {
  const out = new Float32Array(covered.length).fill(1);
  for (let n = 0; n < covered.length; n += 1) {
    const i = (covered[n] as number) * 4;
    const alpha = pixels[i + 3] as number;
    if (alpha > 0) out[n] = 1 + (alpha / 255) * (((pixels[i] as number) / 255) * 2 - 1);
  }
  return out;
}
