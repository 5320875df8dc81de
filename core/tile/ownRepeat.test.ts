import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SQUARE, step } from '../lattice/index.ts';
import { seeded } from '../random/index.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';
import { texture } from '../testing/textures.ts';
import { makeTile } from './makeTile.ts';
import { ownRepeat } from './ownRepeat.ts';

/** A photograph of something that repeats every so many pixels, tilted and leaning by degrees, with grain. */
function photograph(
  seed: number,
  width: number,
  height: number,
  { tilt, shear, isDropped }: { tilt: number; shear: number; isDropped: boolean },
): PixelImage {
  const random = seeded(seed);
  const waves = Array.from({ length: 14 }, (_, n) => {
    // One of a single period each way, so that no shorter cell repeats.
    const [k, l] = n < 2 ? [n, 1 - n] : [Math.round(8 * (random() - 0.5)), Math.round(8 * (random() - 0.5))];
    return {
      u: (l - (isDropped ? k / 2 : 0)) / width,
      v: k / height,
      phase: random(),
      strength: n < 2 ? 20 : 25 * random(),
    };
  });
  const [cos, sin] = [Math.cos((tilt * Math.PI) / 180), Math.sin((tilt * Math.PI) / 180)];
  const lean = Math.tan((shear * Math.PI) / 180);
  const image = blankPixels(420, 340);
  for (let y = 0; y < 340; y += 1)
    for (let x = 0; x < 420; x += 1) {
      const py = y * cos - x * sin;
      const px = x * cos + y * sin - py * lean;
      let level = 128 + 8 * (random() - 0.5);
      for (const { u, v, phase, strength } of waves)
        level += strength * Math.cos(2 * Math.PI * (u * px + v * py + phase));
      image.data.set([level, level, level, 255], 4 * (y * 420 + x));
    }
  return image;
}

/** The mean step from the lower edge of a tile to its upper one, in proportion to the mean step from row to row. */
function seamRatio({ width, height, data }: PixelImage): number {
  let [seam, inside] = [0, 0];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const by = Math.abs(
        (data[4 * (y * width + x)] as number) - (data[4 * (((y + 1) % height) * width + x)] as number),
      );
      if (y === height - 1) seam += by;
      else inside += by;
    }
  return (seam * (height - 1)) / inside;
}

describe('the repeat that a picture shows by itself', () => {
  it('is found to a fraction of a pixel, tilted or not, square or half-dropped', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1000 }),
        fc.double({ min: 34, max: 70, noNaN: true }),
        fc.double({ min: 34, max: 70, noNaN: true }),
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.boolean(),
        (seed, width, height, tilt, isDropped) => {
          const found = ownRepeat(photograph(seed, width, height, { tilt, shear: 0, isDropped }));
          if (!found) throw new Error('nothing was found');
          expect(Math.abs(found.width - width)).toBeLessThan(0.4);
          expect(Math.abs(found.height - height)).toBeLessThan(0.4);
          expect(Math.abs(found.rotation - tilt)).toBeLessThan(0.4);
          expect(found.shear).toBe(0);
          expect(found.step).toEqual(isDropped ? step('half-drop') : SQUARE);
          expect(found.likeness).toBeGreaterThan(0.6);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('leans by as much as the picture does, and is straightened by its frame', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1000 }),
        fc.double({ min: 1, max: 4, noNaN: true }),
        fc.constantFrom(-1, 1),
        fc.boolean(),
        (seed, most, sign, isDropped) => {
          const [shear, tilt] = [sign * most, 2 - most];
          const picture = photograph(seed, 52, 44, { tilt, shear, isDropped });
          const found = ownRepeat(picture);
          if (!found) throw new Error('nothing was found');
          expect(Math.abs(found.shear - shear)).toBeLessThan(0.6);
          expect(Math.abs(found.rotation - tilt)).toBeLessThan(0.6);
          const { step: next, likeness, ...cell } = found;
          const frame = { x: 210, y: 170, ...cell };
          const { pixels } = makeTile(picture, { frame, width: 50, way: { kind: 'laid', step: next } });
          expect(seamRatio(pixels)).toBeLessThan(1.4);
        },
      ),
      { numRuns: 8 },
    );
  });

  it('is not found where there is none', () => {
    expect(ownRepeat(texture(0, 300, 200))).toBeUndefined();
    expect(ownRepeat(texture(1, 300, 200))).toBeUndefined();
    expect(ownRepeat(blankPixels(60, 50))).toBeUndefined();
    expect(ownRepeat(blankPixels(1, 1))).toBeUndefined();
  });
});
