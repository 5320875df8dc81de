import { channels, hexOfOklab, toOklab } from '../colour/index.ts';
import type { PixelImage } from '../scan/index.ts';
import type { PrintCloth } from './printCloth.ts';
import { weaveLight } from './weave.ts';

/** Samples along each side of a pixel; threads are a few pixels wide. */
const SAMPLES = 3;

/**
 * The colour that ink of a colour has once it is on a cloth, 0xRRGGBB: the cloth's own colour shows through, since inks
 * only take light away, and some chroma is lost.
 *
 * @param ink 0xRRGGBB
 */
export function printedColour(ink: number, { base, fading }: Pick<PrintCloth, 'base' | 'fading'>): number {
  const { l, a, b } = toOklab({
    mode: 'rgb',
    r: (ink >> 16) / 255,
    g: ((ink >> 8) & 255) / 255,
    b: (ink & 255) / 255,
  });
  const faded = channels(hexOfOklab(l, a * (1 - fading), b * (1 - fading)));
  return channels(base).reduce((sum, channel, n) => sum * 256 + Math.round((channel * (faded[n] as number)) / 255), 0);
}

/**
 * Shows a picture as it comes out on a woven cloth: in printed colours, with the light and shade of the threads.
 *
 * @param picture RGBA; where it is transparent, the bare cloth shows
 * @param scale pixels in a millimetre of the cloth
 */
export function printOnCloth({ width, height, data }: PixelImage, scale: number, cloth: PrintCloth): PixelImage {
  const printed = new Uint8ClampedArray(data.length);
  const colours = new Map<number, number>();
  const threads = cloth.threads / 10 / scale;
  const light = lightRow(cloth, threads, width);
  for (let y = 0; y < height; y++) {
    const row = light(y);
    for (let x = 0; x < width; x++) {
      const at = 4 * (y * width + x);
      const alpha = (data[at + 3] as number) / 255;
      const over = (channel: number): number => Math.round(255 + ((data[at + channel] as number) - 255) * alpha);
      const ink = (over(0) << 16) | (over(1) << 8) | over(2);
      let colour = colours.get(ink);
      if (colour === undefined) colours.set(ink, (colour = printedColour(ink, cloth)));
      const share = row[x] as number;
      printed[at] = (colour >> 16) * share;
      printed[at + 1] = ((colour >> 8) & 255) * share;
      printed[at + 2] = (colour & 255) * share;
      printed[at + 3] = 255;
    }
  }
  return { width, height, data: printed };
}

/** The light of each row of pixels, as shares; even where threads are finer than pixels. */
function lightRow({ weave }: PrintCloth, threads: number, width: number): (y: number) => Float32Array {
  const row = new Float32Array(width).fill(1);
  if (threads > 1) return () => row;
  return (y) => {
    for (let x = 0; x < width; x++) {
      let sum = 0;
      for (let v = 0; v < SAMPLES; v++)
        for (let u = 0; u < SAMPLES; u++)
          sum += weaveLight(weave, threads * (x + (u + 0.5) / SAMPLES), threads * (y + (v + 0.5) / SAMPLES));
      row[x] = sum / SAMPLES ** 2;
    }
    return row;
  };
}

/**
 * Lays a picture side by side over an area, each copy where it belongs to within half a pixel, however many there are.
 *
 * @param repeat how far apart the copies are, pixels, fractions and all; what the picture lacks of it is transparent
 */
export function layTile(
  tile: PixelImage,
  repeat: { readonly width: number; readonly height: number },
  width: number,
  height: number,
): PixelImage {
  const source = new Uint32Array(tile.data.buffer, tile.data.byteOffset, tile.width * tile.height);
  const laid = new Uint32Array(width * height);
  const places = (length: number, period: number): Uint32Array =>
    Uint32Array.from({ length }, (_, n) => Math.floor((n + 0.5) % period));
  const [columns, rows] = [places(width, repeat.width), places(height, repeat.height)];
  for (const [y, row] of rows.entries()) {
    if (row > tile.height) continue;
    const from = Math.min(row, tile.height - 1) * tile.width;
    for (const [x, column] of columns.entries())
      if (column <= tile.width) laid[y * width + x] = source[from + Math.min(column, tile.width - 1)] as number;
  }
  return { width, height, data: new Uint8ClampedArray(laid.buffer) };
}
