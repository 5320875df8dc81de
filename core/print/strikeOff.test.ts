import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { channels, type Hex } from '../colour/index.ts';
import type { PixelImage } from '../scan/index.ts';
import type { PrintCloth } from './printCloth.ts';
import { SAILCLOTH as CLOTH } from '../testing/printFixtures.ts';
import { layTile, printedColour, printOnCloth } from './strikeOff.ts';

const WHITE: Pick<PrintCloth, 'base' | 'fading'> = { base: '#ffffff', fading: 0 };
const colour = fc.integer({ min: 0, max: 0xffffff });
const rgb = (colour: number): number[] => [colour >> 16, (colour >> 8) & 255, colour & 255];
const chromaOf = (colour: number): number => Math.max(...rgb(colour)) - Math.min(...rgb(colour));

function plainPicture(width: number, height: number, pixel: readonly number[]): PixelImage {
  return {
    width,
    height,
    data: Uint8ClampedArray.from({ length: 4 * width * height }, (_, n) => pixel[n % 4] as number),
  };
}

describe('the printed colour', () => {
  it('is the ink itself on white cloth that takes all of it, to within one step of a channel', () => {
    fc.assert(
      fc.property(colour, (ink) => {
        for (const [n, channel] of rgb(printedColour(ink, WHITE)).entries())
          expect(Math.abs(channel - (rgb(ink)[n] as number))).toBeLessThanOrEqual(1);
      }),
    );
  });

  it('is never lighter than the cloth, which white ink leaves as it is and black covers', () => {
    const base = channels(CLOTH.base);
    fc.assert(
      fc.property(colour, (ink) => {
        for (const [n, channel] of rgb(printedColour(ink, CLOTH)).entries())
          expect(channel).toBeLessThanOrEqual(base[n] as number);
      }),
    );
    expect(rgb(printedColour(0xffffff, CLOTH))).toEqual([...base]);
    expect(printedColour(0, CLOTH)).toBe(0);
  });

  it('loses chroma where the cloth fades it', () => {
    const red = 0xb3402e;
    expect(chromaOf(printedColour(red, { base: '#ffffff', fading: 0.3 }))).toBeLessThan(chromaOf(red) - 20);
  });
});

describe('a picture on cloth', () => {
  it('shows bare cloth where it is transparent, whatever colour is hidden there', () => {
    const bare = printOnCloth(plainPicture(4, 3, [10, 20, 30, 0]), 0.5, CLOTH);
    expect([...bare.data.slice(0, 4)]).toEqual([...channels(CLOTH.base as Hex), 255]);
  });

  it('is even where threads are finer than pixels, and has their light and shade where they are not', () => {
    const red = plainPicture(40, 40, [179, 64, 46, 255]);
    const levels = (scale: number): number =>
      new Set(printOnCloth(red, scale, CLOTH).data.filter((_, n) => n % 4 === 0)).size;
    expect(levels(0.9)).toBe(1);
    expect(levels(8)).toBeGreaterThan(4);
  });

  it('repeats with the weave: two threads of a plain one', () => {
    // One thread in a mm, 8 pixels wide.
    const { data, width } = printOnCloth(plainPicture(64, 32, [90, 120, 60, 255]), 8, CLOTH);
    for (let y = 0; y < 16; y++)
      for (let x = 0; x < 48; x++) expect(data[4 * (y * width + x)]).toBe(data[4 * (y * width + x + 16)]);
  });
});

describe('a tile laid over an area', () => {
  it('is the same picture at every whole number of repeats, to the pixel where they are whole', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }), (w, h) => {
        const tile = { width: w, height: h, data: Uint8ClampedArray.from({ length: 4 * w * h }, (_, n) => n % 256) };
        const laid = layTile(tile, { width: w, height: h }, 31, 23);
        for (let y = 0; y < 23; y++)
          for (let x = 0; x < 31; x++) {
            const [at, from] = [4 * (y * 31 + x), 4 * ((y % h) * w + (x % w))];
            expect([...laid.data.slice(at, at + 4)]).toEqual([...tile.data.slice(from, from + 4)]);
          }
      }),
      { numRuns: 30 },
    );
  });

  it('keeps its place over many repeats of a fraction of a pixel', () => {
    // A line at the left of each repeat.
    const tile = plainPicture(10, 1, [255, 255, 255, 255]);
    tile.data.set([0, 0, 0, 255], 0);
    const period = 10.25;
    const { data } = layTile(tile, { width: period, height: 1 }, 1000, 1);
    const lines = Array.from({ length: 1000 }, (_, x) => x).filter((x) => data[4 * x] === 0);
    expect(lines).toHaveLength(Math.ceil(1000 / period));
    for (const [n, x] of lines.entries()) expect(Math.abs(x - n * period)).toBeLessThanOrEqual(1);
  });
});
