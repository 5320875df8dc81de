import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { everyFraction, pixelGrid, SQUARE, step, type Step } from '../lattice/index.ts';
import { seeded } from '../random/index.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';
import { checkSeams } from './seamCheck.ts';

/** A picture on the endless plane that repeats with a cell: waves that close on its step, and grain of its own. */
function tileOf(number: number, next: Step): PixelImage {
  const random = seeded(100 + number);
  const [w, h] = [96 + 8 * Math.floor(8 * random()), 96 + 8 * Math.floor(8 * random())];
  const { lattice } = pixelGrid({ width: w, height: h, step: next }, 1);
  const { width, height, stacked } = lattice.domain;
  const drop = stacked === 'columns' ? lattice.a.y / height : lattice.b.x / width;
  const waves = Array.from({ length: 24 }, () => {
    // A wave of k periods down and l across, out of step from column to column by k times the drop.
    const [k, l] = [Math.round(12 * (random() - 0.5)), Math.round(12 * (random() - 0.5))];
    const [u, v] = stacked === 'columns' ? [l - k * drop, k] : [l, k - l * drop];
    return { u: u / width, v: v / height, phase: random(), levels: [0, 1, 2].map(() => 30 * (random() - 0.5)) };
  });
  const roughness = number % 3 === 0 ? 0 : 4 * random();
  const image = blankPixels(width, height);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const levels = [0, 1, 2].map(() => 128 + roughness * (random() - 0.5));
      for (const { u, v, phase, levels: own } of waves) {
        const wave = Math.cos(2 * Math.PI * (u * x + v * y + phase));
        for (let c = 0; c < 3; c += 1) levels[c] = (levels[c] as number) + wave * (own[c] as number);
      }
      image.data.set(levels, 4 * (y * width + x));
      image.data[4 * (y * width + x) + 3] = 255;
    }
  return image;
}

/** A picture read through another's places. */
function remade(
  { width, height }: { width: number; height: number },
  pixel: (x: number, y: number) => ArrayLike<number>,
): PixelImage {
  const image = blankPixels(width, height);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) image.data.set(pixel(x, y), 4 * (y * width + x));
  return image;
}
const pixelOf = ({ width, data }: PixelImage, x: number, y: number): Uint8ClampedArray =>
  data.subarray(4 * (y * width + x), 4 * (y * width + x) + 4);

/** One of the defects that tiles come with. */
async function spoilt(tile: PixelImage, number: number): Promise<PixelImage> {
  const { width, height } = tile;
  const count = 1 + (number % 3);
  switch (number % 5) {
    case 0: // Cut too narrow, by one to three pixels.
      return remade({ width: width - count, height }, (x, y) => pixelOf(tile, x, y));
    case 1: // A stray border.
      return remade(tile, (x, y) => (x >= width - count ? [250, 250, 250, 255] : pixelOf(tile, x, y)));
    case 2: // Half a pixel too wide: read at places that lie so much farther apart.
      return remade(tile, (x, y) => {
        const at = (x * (width + 0.5)) / width;
        const left = Math.floor(at);
        const t = at - left;
        const around = [-1, 0, 1, 2].map((n) => pixelOf(tile, (left + n + width) % width, y));
        return [0, 1, 2, 3].map((c) => {
          const [p, q, r, s] = around.map((one) => one[c] as number) as [number, number, number, number];
          return q + 0.5 * t * (r - p + t * (2 * p - 5 * q + 4 * r - s + t * (3 * (q - r) + s - p)));
        });
      });
    case 3: {
      // One wrong corner.
      const size = 3 + (number % 4);
      return remade(tile, (x, y) => (x < size && y >= height - size ? [255, 255, 255, 255] : pixelOf(tile, x, y)));
    }
    default: {
      const jpeg = await sharp(tile.data, { raw: { width, height, channels: 4 } })
        .removeAlpha()
        .jpeg({ quality: 45 + (number % 20) })
        .toBuffer();
      const { data } = await sharp(jpeg).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
      return { width, height, data: new Uint8ClampedArray(data) };
    }
  }
}

const FRACTIONS = everyFraction();
const stepOf = (number: number): Step => {
  const { p, q } = FRACTIONS[(number * 7) % FRACTIONS.length] as { p: number; q: number };
  return number % 3 === 0 ? SQUARE : step(number % 3 === 1 ? 'half-drop' : 'brick', p, q);
};

describe('whether a tile is seamless', () => {
  it('is told right of 99 in 100, with the step of 98 in 100 true ones', async () => {
    const wrong: string[] = [];
    let steps = 0;
    const named: Record<string, number> = {};
    for (let n = 0; n < 100; n += 1) {
      const wanted = stepOf(n);
      const tile = tileOf(n, wanted);
      const { step: found, faults, sides, ends } = checkSeams(tile);
      if (faults.length > 0) wrong.push(`true ${n}: ${JSON.stringify(faults)} ${sides} ${ends}`);
      if (JSON.stringify(found) === JSON.stringify(wanted)) steps += 1;
      const broken = checkSeams(await spoilt(tile, n));
      const kinds = ['break', 'stray', 'slip', 'corner', 'blocks'] as const;
      const kind = kinds[n % 5] as (typeof kinds)[number];
      if (broken.faults.some((fault) => fault.kind === kind)) named[kind] = (named[kind] ?? 0) + 1;
      if (broken.faults.length === 0) wrong.push(`spoilt ${n} (${n % 5}): ${broken.sides} ${broken.ends}`);
    }
    expect(wrong.length, wrong.join('\n')).toBeLessThanOrEqual(2);
    expect(steps).toBeGreaterThanOrEqual(98);
    // Defects are called by their names, too; half a pixel of a smooth picture may be taken for a break.
    for (const kind of ['break', 'stray', 'corner', 'blocks']) expect(named[kind], kind).toBeGreaterThanOrEqual(18);
    expect(named['slip']).toBeGreaterThanOrEqual(10);
  });

  it('names what is transparent along an edge, and refuses what has no inside', () => {
    const tile = tileOf(4, SQUARE);
    const clear = remade(tile, (x, y) => (y < 2 ? [0, 0, 0, 0] : pixelOf(tile, x, y)));
    expect(checkSeams(clear).faults).toContainEqual({ kind: 'transparent', edge: 'top', count: 2 });
    expect(() => checkSeams(blankPixels(12, 40))).toThrow(RangeError);
    // One flat colour, and nothing at all, repeat anyhow.
    expect(checkSeams(remade(tile, () => [90, 80, 70, 255]))).toMatchObject({ step: SQUARE, faults: [] });
    expect(checkSeams(blankPixels(40, 40))).toMatchObject({ step: SQUARE, faults: [] });
  });
});
