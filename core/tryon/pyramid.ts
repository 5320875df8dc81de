import { TO_LINEAR } from './linearLight.ts';

/** One size of a tile: linear light times opacity, 16 bit, RGBA. */
export interface PyramidLevel {
  readonly width: number;
  readonly height: number;
  readonly data: Uint16Array;
  readonly isOpaque: boolean;
}

/** A tile in all its sizes, each about half of the one before, down to a single pixel (Williams, Pyramidal Parametrics, 1983). */
export type Pyramid = readonly PyramidLevel[];

/**
 * Makes the pyramid of a tile. Each level repeats as the tile does: odd sides are shared out by area, across the joins.
 *
 * @param pixels RGBA, sRGB, not premultiplied, width × height × 4 bytes
 */
export function pyramidOf(pixels: Uint8ClampedArray, width: number, height: number): Pyramid {
  if (pixels.length !== width * height * 4)
    throw new RangeError(`expected ${width * height * 4} bytes, got ${pixels.length}`);
  const data = new Uint16Array(pixels.length);
  let isOpaque = true;
  for (let i = 0; i < pixels.length; i += 4) {
    const alpha = pixels[i + 3] as number;
    for (let c = 0; c < 3; c += 1) {
      const light = TO_LINEAR[pixels[i + c] as number] as number;
      data[i + c] = alpha === 255 ? light : Math.round((light * alpha) / 255);
    }
    data[i + 3] = alpha * 257;
    if (alpha !== 255) isOpaque = false;
  }
  const levels: PyramidLevel[] = [{ width, height, data, isOpaque }];
  for (let top = levels[0] as PyramidLevel; top.width > 1 || top.height > 1;) {
    top = halved(top);
    levels.push(top);
  }
  return levels;
}

/** Which pixels one of the smaller level covers, and by how much each. */
interface Share {
  readonly first: number;
  readonly weights: readonly number[];
}

function shares(from: number, to: number): Share[] {
  const ratio = from / to;
  return Array.from({ length: to }, (_, n) => {
    const [start, end] = [n * ratio, (n + 1) * ratio];
    const first = Math.floor(start + 1e-9);
    const weights: number[] = [];
    for (let at = first; at < end - 1e-9; at += 1) weights.push((Math.min(end, at + 1) - Math.max(start, at)) / ratio);
    return { first, weights };
  });
}

function halved({ width, height, data, isOpaque }: PyramidLevel): PyramidLevel {
  const [wide, high] = [Math.max(1, Math.round(width / 2)), Math.max(1, Math.round(height / 2))];
  const [columns, rows] = [shares(width, wide), shares(height, high)];
  const out = new Uint16Array(wide * high * 4);
  const sums = new Float32Array(width * 4);
  rows.forEach((row, y) => {
    sums.fill(0);
    row.weights.forEach((weight, n) => {
      const line = (row.first + n) * width * 4;
      for (let i = 0; i < sums.length; i += 1) sums[i] = (sums[i] as number) + weight * (data[line + i] as number);
    });
    columns.forEach(({ first, weights }, x) => {
      for (let c = 0; c < 4; c += 1) {
        let sum = 0;
        for (let n = 0; n < weights.length; n += 1)
          sum += (weights[n] as number) * (sums[(first + n) * 4 + c] as number);
        out[(y * wide + x) * 4 + c] = Math.round(sum);
      }
    });
  });
  return { width: wide, height: high, data: out, isOpaque };
}
