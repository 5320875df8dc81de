import type { Box } from '../geometry/index.ts';
import { blankPixels, type PixelImage } from './pixelImage.ts';

/** The picture after quarter turns clockwise; no pixel changes. */
export function rotateQuarters(from: PixelImage, quarters: 0 | 1 | 2 | 3): PixelImage {
  if (quarters === 0) return from;
  const { width, height } = from;
  const to = quarters === 2 ? blankPixels(width, height) : blankPixels(height, width);
  const [source, target] = [words(from), words(to)];
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const [u, v] =
        quarters === 1 ? [height - 1 - y, x] : quarters === 2 ? [width - 1 - x, height - 1 - y] : [y, width - 1 - x];
      target[v * to.width + u] = source[y * width + x] as number;
    }
  }
  return to;
}

/**
 * The picture turned about its middle by any angle, clockwise degrees, in a frame that holds all of it; what comes in
 * at the corners is see-through. Bilinear, weighted by opacity, so that nothing see-through tints an edge.
 */
export function rotatePixels(from: PixelImage, degrees: number): PixelImage {
  if (degrees === 0) return from;
  const angle = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const { width, height, data } = from;
  const to = blankPixels(
    Math.ceil(Math.abs(width * cos) + Math.abs(height * sin) - 1e-9),
    Math.ceil(Math.abs(width * sin) + Math.abs(height * cos) - 1e-9),
  );
  const target = to.data;
  // One pixel to the right is one step along the row of the source, so only additions are left within.
  for (let y = 0; y < to.height; y += 1) {
    const dy = y + 0.5 - to.height / 2;
    let u = cos * (0.5 - to.width / 2) + sin * dy + width / 2 - 0.5;
    let v = -sin * (0.5 - to.width / 2) + cos * dy + height / 2 - 0.5;
    for (let x = 0; x < to.width; x += 1, u += cos, v -= sin) {
      if (u <= -1 || v <= -1 || u >= width || v >= height) continue;
      const x0 = Math.floor(u);
      const y0 = Math.floor(v);
      const fx = u - x0;
      const fy = v - y0;
      const inX0 = x0 >= 0;
      const inX1 = x0 + 1 < width;
      const inY0 = y0 >= 0;
      const inY1 = y0 + 1 < height;
      const i00 = (y0 * width + x0) * 4;
      const i01 = i00 + width * 4;
      const w00 = inX0 && inY0 ? (1 - fx) * (1 - fy) * (data[i00 + 3] as number) : 0;
      const w10 = inX1 && inY0 ? fx * (1 - fy) * (data[i00 + 7] as number) : 0;
      const w01 = inX0 && inY1 ? (1 - fx) * fy * (data[i01 + 3] as number) : 0;
      const w11 = inX1 && inY1 ? fx * fy * (data[i01 + 7] as number) : 0;
      const opacity = w00 + w10 + w01 + w11;
      if (opacity === 0) continue;
      const at = (y * to.width + x) * 4;
      for (let c = 0; c < 3; c += 1) {
        const sum =
          (w00 > 0 ? w00 * (data[i00 + c] as number) : 0) +
          (w10 > 0 ? w10 * (data[i00 + 4 + c] as number) : 0) +
          (w01 > 0 ? w01 * (data[i01 + c] as number) : 0) +
          (w11 > 0 ? w11 * (data[i01 + 4 + c] as number) : 0);
        target[at + c] = sum / opacity;
      }
      target[at + 3] = opacity;
    }
  }
  return to;
}

/** The part of the picture in a box of whole pixels. @throws RangeError where nothing lies in it */
export function cropPixels(from: PixelImage, box: Box): PixelImage {
  const [left, top] = [Math.max(0, Math.round(box.left)), Math.max(0, Math.round(box.top))];
  const [right, bottom] = [Math.min(from.width, Math.round(box.right)), Math.min(from.height, Math.round(box.bottom))];
  if (right <= left || bottom <= top)
    throw new RangeError(`expected a box on the picture of ${from.width} × ${from.height}, got ${JSON.stringify(box)}`);
  const to = blankPixels(right - left, bottom - top);
  const [source, target] = [words(from), words(to)];
  for (let y = top; y < bottom; y += 1)
    target.set(source.subarray(y * from.width + left, y * from.width + right), (y - top) * to.width);
  return to;
}

/** The smallest box that holds all that is not wholly see-through, or undefined for an empty picture. */
export function drawnBox({ width, height, data }: PixelImage): Box | undefined {
  let [left, top, right, bottom] = [width, height, 0, 0];
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      if (data[(y * width + x) * 4 + 3] === 0) continue;
      left = Math.min(left, x);
      right = Math.max(right, x + 1);
      top = Math.min(top, y);
      bottom = y + 1;
    }
  }
  return left < right ? { left, top, right, bottom } : undefined;
}

/** The same pixels, one number each. */
function words({ data }: PixelImage): Uint32Array {
  return new Uint32Array(data.buffer, data.byteOffset, data.length / 4);
}
