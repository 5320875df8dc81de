import type { Box } from '../geometry/box.ts';
import { blankPixels, type PixelGrid } from './pixels.ts';

/** The picture after quarter turns clockwise; no pixel changes. */
export function quarterTurned(from: PixelGrid, quarters: 0 | 1 | 2 | 3): PixelGrid {
  if (quarters === 0) return from;
  const { width, height } = from;
  const to = quarters === 2 ? blankPixels(width, height) : blankPixels(height, width);
  const [source, target] = [words(from), words(to)];
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const [u, v] = quarters === 1 ? [height - 1 - y, x] : quarters === 2 ? [width - 1 - x, height - 1 - y] : [y, width - 1 - x];
      target[v * to.width + u] = source[y * width + x] as number;
    }
  }
  return to;
}

/**
 * The picture turned about its middle by any angle, clockwise degrees, in a frame that holds all of it; what comes in
 * at the corners is see-through. Bilinear, weighted by opacity, so that nothing see-through tints an edge.
 */
export function turned(from: PixelGrid, degrees: number): PixelGrid {
  if (degrees === 0) return from;
  const angle = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const { width, height, data } = from;
  const to = blankPixels(Math.ceil(Math.abs(width * cos) + Math.abs(height * sin) - 1e-9), Math.ceil(Math.abs(width * sin) + Math.abs(height * cos) - 1e-9));
  for (let y = 0; y < to.height; y += 1) {
    for (let x = 0; x < to.width; x += 1) {
      const dx = x + 0.5 - to.width / 2;
      const dy = y + 0.5 - to.height / 2;
      const u = cos * dx + sin * dy + width / 2 - 0.5;
      const v = -sin * dx + cos * dy + height / 2 - 0.5;
      if (u <= -1 || v <= -1 || u >= width || v >= height) continue;
      const [x0, y0] = [Math.floor(u), Math.floor(v)];
      const [fx, fy] = [u - x0, v - y0];
      let [r, g, b, a] = [0, 0, 0, 0];
      for (let k = 0; k < 4; k += 1) {
        const px = x0 + (k & 1);
        const py = y0 + (k >> 1);
        if (px < 0 || py < 0 || px >= width || py >= height) continue;
        const at = (py * width + px) * 4;
        const weight = ((k & 1) === 1 ? fx : 1 - fx) * (k >> 1 === 1 ? fy : 1 - fy) * (data[at + 3] as number);
        r += weight * (data[at] as number);
        g += weight * (data[at + 1] as number);
        b += weight * (data[at + 2] as number);
        a += weight;
      }
      if (a === 0) continue;
      const at = (y * to.width + x) * 4;
      to.data[at] = r / a;
      to.data[at + 1] = g / a;
      to.data[at + 2] = b / a;
      to.data[at + 3] = a;
    }
  }
  return to;
}

/** The part of the picture in a box of whole pixels. @throws RangeError where nothing lies in it */
export function cropped(from: PixelGrid, box: Box): PixelGrid {
  const [left, top] = [Math.max(0, Math.round(box.left)), Math.max(0, Math.round(box.top))];
  const [right, bottom] = [Math.min(from.width, Math.round(box.right)), Math.min(from.height, Math.round(box.bottom))];
  if (right <= left || bottom <= top) throw new RangeError(`expected a box on the picture of ${from.width} × ${from.height}, got ${JSON.stringify(box)}`);
  const to = blankPixels(right - left, bottom - top);
  const [source, target] = [words(from), words(to)];
  for (let y = top; y < bottom; y += 1) target.set(source.subarray(y * from.width + left, y * from.width + right), (y - top) * to.width);
  return to;
}

/** The smallest box that holds all that is not wholly see-through, or undefined for an empty picture. */
export function drawnBox({ width, height, data }: PixelGrid): Box | undefined {
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
function words({ data }: PixelGrid): Uint32Array {
  return new Uint32Array(data.buffer, data.byteOffset, data.length / 4);
}
