import type { PictureFrame } from '../recipe/index.ts';
import { frameAxes } from './frameAxes.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';

/** Writes the colour of a picture at a place of a frame on it, 0 to 1 across and down, to four bytes. */
export type FrameSampler = (u: number, v: number, to: Uint8ClampedArray, at: number) => void;

/**
 * Reads a picture through a frame, between its pixels by cubic convolution (Keys, 1981, a = −½); on whole pixels the pixels themselves. Colours count by how
 * opaque they are. Beyond the picture's edge is what the edge shows.
 */
export function frameSampler({ width, height, data }: PixelImage, frame: PictureFrame): FrameSampler {
  const { corner, across, down } = frameAxes(frame);
  const [wx, wy] = [new Float64Array(4), new Float64Array(4)];
  const clampX = (x: number): number => (x < 0 ? 0 : x >= width ? width - 1 : x);
  const clampY = (y: number): number => (y < 0 ? 0 : y >= height ? height - 1 : y);
  return (u, v, to, at) => {
    const x = corner.x + u * across.x + v * down.x - 0.5;
    const y = corner.y + u * across.y + v * down.y - 0.5;
    const [left, top] = [Math.floor(x + 1e-7), Math.floor(y + 1e-7)];
    const [s, t] = [x - left, y - top];
    if (Math.abs(s) < 1e-6 && Math.abs(t) < 1e-6) {
      const from = 4 * (clampY(top) * width + clampX(left));
      for (let c = 0; c < 4; c += 1) to[at + c] = data[from + c] as number;
      return;
    }
    cubicWeights(s, wx);
    cubicWeights(t, wy);
    let [r, g, b, a] = [0, 0, 0, 0];
    for (let j = 0; j < 4; j += 1) {
      const row = clampY(top + j - 1) * width;
      for (let i = 0; i < 4; i += 1) {
        const from = 4 * (row + clampX(left + i - 1));
        const weight = (wx[i] as number) * (wy[j] as number) * (data[from + 3] as number);
        a += weight;
        r += weight * (data[from] as number);
        g += weight * (data[from + 1] as number);
        b += weight * (data[from + 2] as number);
      }
    }
    to[at + 3] = a;
    if (a <= 0) return;
    to[at] = r / a;
    to[at + 1] = g / a;
    to[at + 2] = b / a;
  };
}

function cubicWeights(t: number, to: Float64Array): void {
  const [t2, t3] = [t * t, t * t * t];
  to[0] = (-t3 + 2 * t2 - t) / 2;
  to[1] = (3 * t3 - 5 * t2 + 2) / 2;
  to[2] = (-3 * t3 + 4 * t2 + t) / 2;
  to[3] = (t3 - t2) / 2;
}

/** What a frame shows, in so many pixels. */
export function framePixels(picture: PixelImage, frame: PictureFrame, width: number, height: number): PixelImage {
  const shown = blankPixels(width, height);
  const sample = frameSampler(picture, frame);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) sample((x + 0.5) / width, (y + 0.5) / height, shown.data, 4 * (y * width + x));
  return shown;
}
