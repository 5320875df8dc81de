import type { Pixels } from './pixels.ts';

/** One size of a picture: each level has half the pixels of the one before, both ways. */
export interface PictureLevel {
  readonly pixels: Pixels;
  readonly width: number;
  readonly height: number;
}

/** A decoded picture with its smaller sizes, the full one first. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly levels: readonly PictureLevel[];
}

/** Below this share of a level's own size the engines begin to differ in how they reduce; a smaller level is used. */
const LEAST_SHARE = 0.505;

/**
 * Makes all sizes of a picture.
 *
 * The engines agree to the bit on pictures drawn at more than half their size, but not on smaller ones, so the
 * halving is done here, once, in plain arithmetic.
 *
 * @param data RGBA, not premultiplied
 * @param make turns such data into pixels that the engine can lay
 */
export function pictureOf(
  data: Uint8ClampedArray,
  width: number,
  height: number,
  make: (data: Uint8ClampedArray, width: number, height: number) => Pixels,
): Picture {
  const levels: PictureLevel[] = [];
  for (let [d, w, h] = [data, width, height]; ; [d, w, h] = [halve(d, w, h), Math.ceil(w / 2), Math.ceil(h / 2)]) {
    levels.push({ pixels: make(d, w, h), width: w, height: h });
    if (w === 1 && h === 1) break;
  }
  return { width, height, levels };
}

/**
 * The level to draw at a scale, and the size that it stands for in pixels of the full picture: odd sizes are halved
 * upwards, so a small level reaches a little beyond the picture, transparently.
 *
 * @param scale drawn pixels per pixel of the full picture, the lesser of across and down
 */
export function levelFor({ levels }: Picture, scale: number): { level: PictureLevel; width: number; height: number } {
  const wished = scale < LEAST_SHARE ? Math.ceil(Math.log2(LEAST_SHARE / scale)) : 0;
  const index = Math.min(levels.length - 1, wished);
  const level = levels[index] as PictureLevel;
  return { level, width: level.width * 2 ** index, height: level.height * 2 ** index };
}

/** Every pixel the mean of four, weighted by alpha; beyond an odd edge lies nothing. */
export function halve(data: Uint8ClampedArray, width: number, height: number): Uint8ClampedArray<ArrayBuffer> {
  const w = Math.ceil(width / 2);
  const h = Math.ceil(height / 2);
  const out = new Uint8ClampedArray(w * h * 4);
  for (let y = 0; y < h; y += 1) {
    for (let x = 0; x < w; x += 1) {
      let [r, g, b, a] = [0, 0, 0, 0];
      for (let sy = 2 * y; sy < Math.min(height, 2 * y + 2); sy += 1) {
        for (let sx = 2 * x; sx < Math.min(width, 2 * x + 2); sx += 1) {
          const i = (sy * width + sx) * 4;
          const alpha = data[i + 3] as number;
          r += (data[i] as number) * alpha;
          g += (data[i + 1] as number) * alpha;
          b += (data[i + 2] as number) * alpha;
          a += alpha;
        }
      }
      if (a > 0) out.set([r / a, g / a, b / a, a / 4], (y * w + x) * 4);
    }
  }
  return out;
}
