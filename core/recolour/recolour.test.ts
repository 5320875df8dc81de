import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { channels, type Hex, oklabOfChannels } from '../colour/index.ts';
import { convexWeights, type Lab } from './convexWeights.ts';
import { paletteTable, recolour } from './index.ts';

const channel = fc.integer({ min: 0, max: 255 });
const hex = fc.integer({ min: 0, max: 0xffffff }).map((n): Hex => `#${n.toString(16).padStart(6, '0')}`);
const lab = fc.tuple(channel, channel, channel).map(([r, g, b]): Lab => oklabOfChannels(r, g, b));
/** Palettes whose entries are farther apart than so many levels in some channel. */
const palettesOf = (levels: number, most: number): fc.Arbitrary<Hex[]> =>
  fc
    .array(hex, { minLength: 3, maxLength: most })
    .filter((entries) =>
      entries.every((one, n) =>
        entries
          .slice(n + 1)
          .every((other) =>
            channels(one).some((value, axis) => Math.abs(value - (channels(other)[axis] ?? 0)) > levels),
          ),
      ),
    );
/** Entries that share no node of the cube. */
const palettes = palettesOf(16, 8);
/** Tables take a while, so a few palettes see many colours each. */
const FEW = { numRuns: 12, endOnFailure: true };

const pixels = (colours: readonly (readonly number[])[], alpha = 255): Uint8ClampedArray =>
  Uint8ClampedArray.from(colours.flatMap((colour) => [...colour, alpha]));

function farFrom(entries: readonly Lab[], weights: ArrayLike<number>, [l, a, b]: Lab): number {
  const sum = [0, 0, 0].map((_, axis) =>
    entries.reduce((all, entry, n) => all + (weights[n] ?? 0) * (entry[axis] ?? 0), 0),
  );
  return Math.hypot((sum[0] ?? 0) - l, (sum[1] ?? 0) - a, (sum[2] ?? 0) - b);
}

describe('the mixture of a palette that comes nearest to a colour', () => {
  it('is one, comes as near as any other, and of an entry is that entry alone', () => {
    const shares = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 8, maxLength: 8 });
    fc.assert(
      fc.property(fc.array(lab, { minLength: 1, maxLength: 8 }), lab, shares, (entries, colour, other) => {
        const find = convexWeights(entries);
        const weights = [...find(colour)];
        for (const weight of weights) expect(weight).toBeGreaterThanOrEqual(0);
        expect(weights.reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 6);
        const used = other.slice(0, entries.length);
        const whole = used.reduce((sum, share) => sum + share, 0);
        // Near entries are preferred a little, which may cost as much.
        if (whole > 0)
          expect(farFrom(entries, weights, colour)).toBeLessThan(
            farFrom(
              entries,
              used.map((share) => share / whole),
              colour,
            ) + 0.05,
          );
        const entry = entries[0] as Lab;
        expect(farFrom(entries, find(entry), entry)).toBeLessThan(1e-4);
      }),
    );
  });

  it('is found where all entries are one colour, or lie on a line', () => {
    const greys = [0, 60, 120, 180, 240].map((grey): Lab => oklabOfChannels(grey, grey, grey));
    const between = oklabOfChannels(90, 90, 90);
    const weights = convexWeights(greys)(between);
    expect(farFrom(greys, weights, between)).toBeLessThan(1e-3);
    expect([...weights].filter((weight) => weight > 0.01)).toHaveLength(2);
    const same = oklabOfChannels(9, 99, 199);
    expect(convexWeights([same, same, same])(between).reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 6);
  });
});

describe('recolouring', () => {
  it('changes nothing where no ink changes, and never alpha', () => {
    fc.assert(
      fc.property(
        palettes,
        hex,
        fc.array(fc.tuple(channel, channel, channel), { maxLength: 60 }),
        channel,
        (palette, ink, colours, alpha) => {
          const data = pixels(colours, alpha);
          const table = paletteTable(palette);
          recolour(data, table, palette);
          expect(data).toEqual(pixels(colours, alpha));
          recolour(data, table, [ink, ...palette.slice(1)]);
          for (let at = 3; at < data.length; at += 4) expect(data[at]).toBe(alpha);
        },
      ),
      FEW,
    );
  });

  it("turns an entry's colour into its ink to the digit, and a mixture into the mixture of the inks", () => {
    fc.assert(
      fc.property(palettes, fc.array(hex, { minLength: 8, maxLength: 8 }), (palette, inks) => {
        const data = pixels(palette.map(channels));
        recolour(data, paletteTable(palette), inks);
        expect(data).toEqual(pixels(inks.slice(0, palette.length).map(channels)));
      }),
      FEW,
    );
    const table = paletteTable(['#000000', '#ffffff', '#b3402e']);
    // Halfway between black and white in OKLab; white becomes black, so it is halfway to black.
    const data = pixels([[99, 99, 99]]);
    recolour(data, table, ['#000000', '#000000', '#b3402e']);
    for (const value of data.subarray(0, 3)) expect(value).toBeLessThan(6);
  });

  it('leaves no bands: colours one step apart stay a few steps apart', () => {
    fc.assert(
      fc.property(
        palettesOf(64, 5),
        fc.array(hex, { minLength: 8, maxLength: 8 }),
        hex,
        hex,
        (palette, inks, from, to) => {
          const [start, end] = [channels(from), channels(to)];
          const ramp = Array.from({ length: 256 }, (_, n) =>
            start.map((value, axis) => Math.round(value + ((end[axis] as number) - value) * (n / 255))),
          );
          const data = pixels(ramp);
          recolour(data, paletteTable(palette), inks);
          // From one entry to another lie at least 64 levels, over which black can become white.
          for (let at = 4; at < data.length; at += 4)
            for (let axis = 0; axis < 3; axis++) {
              const step = Math.abs((data[at + axis] as number) - (data[at + axis - 4] as number));
              expect(step).toBeLessThan(40);
            }
        },
      ),
      FEW,
    );
  });
});

describe('pictures on plates', () => {
  const [PRINTED, PAPER]: readonly Hex[] = ['#000000', '#ffffff'];

  it('cover by the shares of their entries: all of it together, and an entry all of its own colour', () => {
    fc.assert(
      fc.property(
        palettes,
        fc.array(fc.tuple(channel, channel, channel), { minLength: 1, maxLength: 60 }),
        (palette, colours) => {
          const table = paletteTable(palette);
          const covers = palette.map((_, n) => {
            const data = pixels([...colours, ...palette.map(channels)]);
            recolour(
              data,
              table,
              palette.map((_ink, other) => (other === n ? PRINTED : PAPER) as Hex),
              'shares',
            );
            return data.filter((_value, at) => at % 4 === 0).map((value) => 255 - value);
          });
          // Each is rounded by itself.
          for (let pixel = 0; pixel < colours.length; pixel++)
            expect(
              Math.abs(covers.reduce((sum, cover) => sum + (cover[pixel] as number), 0) - 255),
            ).toBeLessThanOrEqual(palette.length / 2);
          palette.forEach((_, n) =>
            palette.forEach((_entry, other) => expect(covers[n]?.[colours.length + other]).toBe(n === other ? 255 : 0)),
          );
        },
      ),
      FEW,
    );
  });

  it('count as the ink that they have most of where areas are measured', () => {
    const palette: Hex[] = ['#000000', '#ffffff', '#b3402e'];
    const data = pixels([
      [20, 20, 20],
      [230, 235, 240],
      [170, 70, 50],
    ]);
    recolour(data, paletteTable(palette), ['#010101', '#020202', '#030303'], 'nearest');
    expect([...data]).toEqual([1, 1, 1, 255, 2, 2, 2, 255, 3, 3, 3, 255]);
  });
});
