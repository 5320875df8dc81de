import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../random/index.ts';
import { TO_LINEAR, TO_SRGB } from './linearLight.ts';
import { pyramidOf, type Pyramid } from './pyramid.ts';
import { TileSampler } from './tileSampler.ts';

function noise(width: number, height: number, seed: number, isOpaque = true): Uint8ClampedArray {
  const random = seeded(seed);
  return Uint8ClampedArray.from({ length: width * height * 4 }, (_, i) =>
    i % 4 === 3 && isOpaque ? 255 : Math.floor(random() * 256),
  );
}

const at = (pyramid: Pyramid, x: number, y: number, jacobian: readonly [number, number, number, number]): number[] => {
  const out = new Float64Array(4);
  new TileSampler(pyramid).sample(x, y, ...jacobian, out);
  return [...out];
};
const STILL = [1, 0, 0, 1] as const;

describe('linear light', () => {
  it('comes back as the sRGB it was', () => {
    expect([...TO_LINEAR].map((light) => TO_SRGB[light])).toEqual(Array.from({ length: 256 }, (_, n) => n));
  });
});

describe('a sampled tile', () => {
  it('is itself to the number where a pixel of the picture is one of its own', () => {
    const pixels = noise(7, 5, 1);
    const pyramid = pyramidOf(pixels, 7, 5);
    for (let y = 0; y < 5; y += 1)
      for (let x = 0; x < 7; x += 1)
        expect(at(pyramid, x + 0.5, y + 0.5, STILL).slice(0, 3)).toEqual(
          [0, 1, 2].map((c) => TO_LINEAR[pixels[(y * 7 + x) * 4 + c] as number]),
        );
  });

  it('repeats: whole tiles away nothing changes', () => {
    const real = fc.double({ min: -40, max: 40, noNaN: true });
    const stretch = fc.double({ min: -6, max: 6, noNaN: true });
    fc.assert(
      fc.property(
        fc.record({ width: fc.integer({ min: 1, max: 23 }), height: fc.integer({ min: 1, max: 23 }) }),
        fc.tuple(real, real),
        fc.tuple(stretch, stretch, stretch, stretch),
        fc.tuple(fc.integer({ min: -3, max: 3 }), fc.integer({ min: -3, max: 3 })),
        ({ width, height }, [x, y], jacobian, [i, j]) => {
          const pyramid = pyramidOf(noise(width, height, 3, false), width, height);
          const [here, there] = [at(pyramid, x, y, jacobian), at(pyramid, x + i * width, y + j * height, jacobian)];
          here.forEach((light, c) => expect(Math.abs(light - (there[c] as number))).toBeLessThan(0.01));
        },
      ),
    );
  });

  it('is as good as the same where the footprint of the pixel before is kept', () => {
    // A row of a wall that recedes: each pixel covers a little more than the one before, as the camera sees it.
    const pyramid = pyramidOf(noise(64, 48, 7), 64, 48);
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 8, noNaN: true }),
        fc.double({ min: 1.0005, max: 1.02, noNaN: true }),
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        (size, growth, slope) => {
          const row = new TileSampler(pyramid);
          const kept = new Float64Array(4);
          let x = 0;
          for (let column = 0, across = size; column < 60; column += 1, across *= growth, x += across) {
            row.sample(x, 5, across, slope * across, 0, size, kept);
            at(pyramid, x, 5, [across, slope * across, 0, size]).forEach((light, c) =>
              // On noise one probe more or less changes it by up to this.
              expect(Math.abs(light - (kept[c] as number))).toBeLessThan(0.02 * 65_535),
            );
          }
        },
      ),
    );
  });

  it('has the same colours whether its opacity is looked at or known', () => {
    const pixels = noise(16, 12, 9);
    const known = pyramidOf(pixels, 16, 12);
    const looked = known.map((level) => ({ ...level, isOpaque: false }));
    for (const jacobian of [STILL, [3, 1, -1, 2], [9, 0, 0, 1]] as const)
      expect(at(known, 3.3, 4.7, jacobian)).toEqual(
        at(looked, 3.3, 4.7, jacobian).map((light) => expect.closeTo(light, 6)),
      );
    // One pixel that is not opaque is enough.
    pixels[4 * 17 + 3] = 254;
    expect(pyramidOf(pixels, 16, 12)[0]?.isOpaque).toBe(false);
  });

  it('keeps its mean light in every size', () => {
    const pixels = noise(37, 22, 5);
    const pyramid = pyramidOf(pixels, 37, 22);
    const mean = ({ data }: Pyramid[number]): number =>
      data.reduce((sum, light, i) => (i % 4 === 0 ? sum + light : sum), 0) / (data.length / 4);
    for (const level of pyramid) expect(Math.abs(mean(level) - mean(pyramid[0] as Pyramid[number]))).toBeLessThan(2);
    expect(pyramid.at(-1)).toMatchObject({ width: 1, height: 1 });
  });

  it('of fine stripes on a wall at 80 degrees keeps under 2 % of what plain point sampling makes up', () => {
    // Stripes of a sine, 16 pixels of the tile to one; a wall that runs away to the right, seen through 900 columns of pixels.
    const [size, stripe] = [256, 16];
    const pixels = new Uint8ClampedArray(size * size * 4);
    for (let i = 0; i < size * size; i += 1) {
      const light = 0.5 + 0.5 * Math.sin((2 * Math.PI * (i % size)) / stripe);
      const level = TO_SRGB[Math.round(light * 65_535)] as number;
      pixels.set([level, level, level, 255], i * 4);
    }
    const pyramid = pyramidOf(pixels, size, size);
    // Pinhole: the column at angle t from the wall's own direction shows the wall at distance 1/tan(t).
    const degrees = Math.PI / 180;
    const near = 300;
    const wall = (column: number): number => near / Math.tan((10 - column / 100) * degrees);
    let [ours, plain, count] = [0, 0, 0];
    const mean = 65_535 / 2;
    for (let column = 0; column < 900; column += 1) {
      const x = wall(column + 0.5);
      const across = (wall(column + 1) - wall(column)) * 1;
      // Only where the stripes are finer than the pixels can show.
      if (across < stripe / 2) continue;
      const down = Math.hypot(x, near) / 600;
      const [light] = at(pyramid, x, 0.5, [across, 0, 0, down]) as [number];
      const point = at(pyramid, x, 0.5, STILL)[0] as number;
      ours += (light - mean) ** 2;
      plain += (point - mean) ** 2;
      count += 1;
    }
    expect(count).toBeGreaterThan(200);
    expect(ours / plain).toBeLessThan(0.02);
  });

  it('is sharp along the side that does not recede', () => {
    // Stripes that run away from the eye stay as they are, however much each pixel covers along them.
    const [size, stripe] = [64, 8];
    const pixels = new Uint8ClampedArray(size * size * 4);
    for (let i = 0; i < size * size; i += 1) {
      const level = Math.floor(i / size) % stripe < stripe / 2 ? 255 : 0;
      pixels.set([level, level, level, 255], i * 4);
    }
    const pyramid = pyramidOf(pixels, size, size);
    const [light] = at(pyramid, 10, 2, [12, 0, 0, 1]) as [number];
    const [dark] = at(pyramid, 10, 6, [12, 0, 0, 1]) as [number];
    expect(light - dark).toBeGreaterThan(0.95 * 65_535);
  });
});
