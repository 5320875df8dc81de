import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { flattenPlates } from './flattenPlates.ts';
import { layPlates } from './layPlates.ts';
import { measurePlates } from './measurePlates.ts';
import { screenRows } from './screenPlate.ts';
import { spreadUnder } from './trap.ts';

const [WIDTH, HEIGHT] = [24, 18];
const COUNT = WIDTH * HEIGHT;
const pixels = fc.uint8Array({ minLength: COUNT, maxLength: COUNT });
const full = (rule: (x: number, y: number) => number): Uint8Array =>
  Uint8Array.from({ length: COUNT }, (_, n) => rule(n % WIDTH, Math.floor(n / WIDTH)));

/** By looking at every pixel of the nine tiles around. */
function distanceTo(plate: Uint8Array, x: number, y: number): number {
  let least = Infinity;
  for (let n = 0; n < COUNT; n++) {
    if ((plate[n] as number) < 128) continue;
    for (const i of [-WIDTH, 0, WIDTH])
      for (const j of [-HEIGHT, 0, HEIGHT])
        least = Math.min(least, Math.hypot((n % WIDTH) + i - x, Math.floor(n / WIDTH) + j - y));
  }
  return least;
}

describe('a trap', () => {
  it('reaches as far as it is to under darker plates, around the edges of the tile, and nowhere else', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.nat(COUNT - 1), { minLength: 1, maxLength: 12 }),
        fc.uniqueArray(fc.nat(COUNT - 1), { maxLength: 300 }),
        fc.integer({ min: 1, max: 6 }),
        (printed, dark, radius) => {
          const plate = new Uint8Array(COUNT);
          const darker = new Uint8Array(COUNT);
          for (const n of printed) plate[n] = 255;
          for (const n of dark) darker[n] = 255;
          const trapped = spreadUnder(plate, darker, WIDTH, HEIGHT, radius);
          for (let n = 0; n < COUNT; n++) {
            const far = distanceTo(plate, n % WIDTH, Math.floor(n / WIDTH));
            const value = trapped[n] as number;
            if (plate[n]) expect(value).toBe(255);
            else if (!darker[n] || far >= radius + 0.5) expect(value).toBe(0);
            else if (far <= radius - 0.5) expect(value).toBe(255);
            else expect(Math.abs(value - 255 * (radius + 0.5 - far))).toBeLessThanOrEqual(1);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('a screen', () => {
  const angles = fc.double({ min: -180, max: 180, noNaN: true });

  it('closes on the tile', () => {
    fc.assert(
      fc.property(
        angles,
        fc.constantFrom('round', 'line'),
        fc.double({ min: 4, max: 9, noNaN: true }),
        (angle, shape, pitch) => {
          const [width, height] = [60, 44];
          const rowOf = screenRows({ shape, pitch, angle }, width, height);
          // One tile further, the same waves are computed from other numbers.
          const twice = screenRows({ shape, pitch, angle }, width, height);
          for (const y of [0, 7, 43]) {
            const [row, further] = [rowOf(y), twice(y + height)];
            for (let x = 0; x < width; x++)
              expect(
                Math.min(...[0, 256].map((n) => Math.abs((row[x] as number) - (further[x] as number) + n))),
              ).toBeLessThan(2);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('prints as much as the shade says', () => {
    for (const shape of ['round', 'line'] as const)
      for (const shade of [26, 77, 128, 204, 240]) {
        const [width, height] = [240, 240];
        const rowOf = screenRows({ shape, pitch: 12, angle: 27 }, width, height);
        let printed = 0;
        for (let y = 0; y < height; y++) for (const threshold of rowOf(y)) if (shade > threshold) printed += 1;
        expect(Math.abs(printed / (width * height) - shade / 255), `${shape} ${shade}`).toBeLessThan(0.02);
      }
  });

  it('has its dots a pitch apart', () => {
    const rowOf = screenRows({ shape: 'line', pitch: 10, angle: 0 }, 100, 100);
    const row = [...rowOf(0)];
    const darkest = row.flatMap((threshold, x) => (threshold < 30 ? [x] : []));
    expect(new Set(darkest.map((x) => Math.floor(x / 10))).size).toBe(10);
  });
});

describe('flat plates', () => {
  it('print every pixel once where a plate covers most of it, and leave paper where paper does', () => {
    fc.assert(
      fc.property(fc.array(pixels, { minLength: 1, maxLength: 4 }), (parts) => {
        // Shares of each pixel, which are never more than all of it.
        const shades = parts.map((part) => part.map((value) => Math.floor(value / parts.length)));
        const flat = flattenPlates(
          shades.map((plate) => ({ shades: plate, screen: undefined })),
          WIDTH,
          HEIGHT,
        );
        for (let n = 0; n < COUNT; n++) {
          const values = shades.map((plate) => plate[n] as number);
          const most = Math.max(...values);
          const paper = 255 - values.reduce((sum, value) => sum + value, 0);
          const printed = flat.filter((plate) => plate[n] === 255).length;
          expect(printed).toBe(most > 0 && paper <= most ? 1 : 0);
          if (printed) expect(values[flat.findIndex((plate) => plate[n] === 255)]).toBe(most);
        }
      }),
    );
  });

  it('have dots in shades and hard edges where inks meet', () => {
    const left = full((x) => (x < 12 ? 255 : x === 12 ? 100 : 0));
    const right = full((x) => (x < 12 ? 0 : x === 12 ? 155 : 255));
    const [a, b] = flattenPlates(
      [left, right].map((shades) => ({ shades, screen: { shape: 'round', pitch: 4, angle: 45 } })),
      WIDTH,
      HEIGHT,
    );
    expect(a).toEqual(full((x) => (x < 12 ? 255 : 0)));
    expect(b).toEqual(full((x) => (x < 12 ? 0 : 255)));
    const tint = full(() => 128);
    const [dots] = flattenPlates([{ shades: tint, screen: { shape: 'round', pitch: 4, angle: 0 } }], WIDTH, HEIGHT);
    const share = (dots as Uint8Array).filter((value) => value === 255).length / COUNT;
    expect(share).toBeGreaterThan(0.3);
    expect(share).toBeLessThan(0.7);
  });
});

describe('what plates print', () => {
  it('is measured: coverage, gaps, overprints and what is over the limit', () => {
    const half = full((x) => (x < 12 ? 255 : 0));
    const rest = full((x) => (x >= 12 && x < 18 ? 255 : 0));
    const over = full((x, y) => (x < 6 && y < 9 ? 255 : 0));
    const facts = measurePlates(
      [half, rest, over],
      full(() => 255),
      1.5,
    );
    expect(facts.coverage).toEqual([0.5, 0.25, 0.125]);
    expect(facts).toMatchObject({ total: 0.875, most: 2, overLimit: 0.125, gaps: 0.25, overprints: 0.125 });
    expect(
      measurePlates(
        [half, rest, over],
        full(() => 255),
        2,
        over,
      ),
    ).toMatchObject({ overLimit: 0, overprints: 0 });
  });

  it('laid over each other is the mixture of the inks where they lie side by side, and the last where they lie over each other', () => {
    fc.assert(
      fc.property(fc.nat(255), fc.nat(255), (first, second) => {
        const share = Math.min(second, 255 - first);
        const [red, , blue, alpha] = layPlates(
          [
            { colour: '#ff0000', shades: Uint8Array.of(first) },
            { colour: '#0000ff', shades: Uint8Array.of(share) },
          ],
          1,
        ) as unknown as [number, number, number, number];
        expect(alpha).toBe(first + share);
        if (alpha === 0) return;
        expect(Math.abs(red - (255 * first) / alpha)).toBeLessThanOrEqual(1);
        expect(Math.abs(blue - (255 * share) / alpha)).toBeLessThanOrEqual(1);
      }),
    );
    const over = layPlates(
      [
        { colour: '#ff0000', shades: Uint8Array.of(255) },
        { colour: '#0000ff', shades: Uint8Array.of(255) },
      ],
      1,
    );
    expect([...over]).toEqual([0, 0, 255, 255]);
  });
});
