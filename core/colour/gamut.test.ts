import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hexOfOklch, isInSrgb, mostChroma, oklchOf } from './gamut.ts';
import type { Hex } from './hex.ts';
import { ramp, RAMPS } from './ramp.ts';
import { COLOUR_NOTATIONS, readColour, writeColour } from './readColour.ts';
import { colourDifference, toRgb } from './spaces.ts';
import { lettersOn, seenAs, VISION_MATRICES, VISIONS } from './vision.ts';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((n): Hex => `#${n.toString(16).padStart(6, '0')}`);
const hue = fc.double({ min: 0, max: 360, noNaN: true });

describe('OKLCH', () => {
  it('gives back every colour of sRGB', () => {
    fc.assert(
      fc.property(hex, (colour) => {
        expect(hexOfOklch(oklchOf(colour))).toBe(colour);
      }),
    );
  });

  it('keeps lightness and hue where a colour has more chroma than sRGB', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.15, max: 0.95, noNaN: true }), hue, (l, h) => {
        const shown = oklchOf(hexOfOklch({ l, c: 0.4, h }));
        // One step of a channel is more of the lightness in the dark.
        expect(Math.abs(shown.l - l)).toBeLessThan(0.006);
        expect(shown.c).toBeLessThanOrEqual(mostChroma(l, h) + 0.01);
      }),
    );
  });

  it('knows the edge of sRGB', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 0.95, noNaN: true }), hue, (l, h) => {
        const most = mostChroma(l, h);
        expect(isInSrgb({ l, c: most, h })).toBe(true);
        expect(isInSrgb({ l, c: most + 0.002, h })).toBe(false);
      }),
    );
  });
});

describe('a typed colour', () => {
  it('is read again from every notation to the same digits', () => {
    fc.assert(
      fc.property(hex, fc.constantFrom(...COLOUR_NOTATIONS), (colour, notation) => {
        expect(readColour(writeColour(colour, notation))).toEqual({ hex: colour, isOutside: false });
      }),
      { numRuns: 2000 },
    );
  });

  it.each<[string, string | undefined]>([
    ['b3402e', '#b3402e'],
    ['  #B34 ', '#bb3344'],
    ['rgb(179 64 46)', '#b3402e'],
    ['rgb(179, 64, 46)', '#b3402e'],
    ['hsl(0 100% 50%)', '#ff0000'],
    ['RebeccaPurple', '#663399'],
    ['rgb(0 0 0 / 50%)', undefined],
    ['seaweed', undefined],
    ['', undefined],
    ['oklch(none none none)', '#000000'],
    ['x'.repeat(10_000), undefined],
  ])('%s is %s', (text, expected) => {
    expect(readColour(text)?.hex).toBe(expected);
  });

  it('says where sRGB does not have it', () => {
    expect(readColour('oklch(0.7 0.35 150)')?.isOutside).toBe(true);
    expect(readColour('lab(50% 20 20)')?.isOutside).toBe(false);
  });
});

/** The most that half a step of 8 bits in every channel changes a colour. */
function rounding(colour: Hex): number {
  const { r, g, b } = toRgb(colour) as { r: number; g: number; b: number };
  const half = 0.5 / 255;
  const differences = [-half, half].flatMap((dr) =>
    [-half, half].flatMap((dg) =>
      [-half, half].map((db) => colourDifference(colour, { mode: 'rgb', r: r + dr, g: g + dg, b: b + db })),
    ),
  );
  return Math.max(...differences);
}

describe('a ramp', () => {
  it('has the colour in its middle and goes in steps that look alike on either side', () => {
    fc.assert(
      fc.property(hex, fc.constantFrom(...RAMPS), (colour, kind) => {
        const { l, c, h } = oklchOf(colour);
        // The edge of sRGB runs along the hue of pure blue: there a fraction of a degree takes away much of the chroma at once.
        fc.pre(Math.abs(h - 264) > 3 || c < 0.9 * mostChroma(l, h));
        const colours = ramp(colour, kind, 4);
        expect(colours).toHaveLength(9);
        expect(colours[4]).toBe(colour);
        const steps = colours.slice(1).map((next, n) => colourDifference(colours[n] as Hex, next));
        for (const side of [steps.slice(0, 4), steps.slice(4)]) {
          const mean = side.reduce((sum, step) => sum + step, 0) / 4;
          // Either end of a step is rounded to 8 bits.
          const most = Math.max(2 * Math.max(...colours.map(rounding)), 0.25 * mean);
          for (const step of side) expect(Math.abs(step - mean)).toBeLessThan(most);
        }
      }),
      { numRuns: 500 },
    );
  });

  it('rises in lightness, and in chroma, and turns to the warm', () => {
    const values = (kind: (typeof RAMPS)[number], of: 'l' | 'c'): number[] =>
      ramp('#5f7f8f', kind, 3).map((colour) => oklchOf(colour)[of]);
    for (const list of [values('lightness', 'l'), values('chroma', 'c')])
      expect([...list].sort((a, b) => a - b)).toEqual(list);
    expect(oklchOf(ramp('#7f9f5f', 'warmth', 3)[6] as Hex).h).toBeLessThan(oklchOf('#7f9f5f').h);
  });
});

describe('letters', () => {
  it('have a contrast ratio of 4.5 at least on every colour', () => {
    const light = (colour: Hex): number => {
      const linear = [1, 3, 5].map((at) => {
        const share = Number.parseInt(colour.slice(at, at + 2), 16) / 255;
        return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
      });
      return 0.2126 * (linear[0] as number) + 0.7152 * (linear[1] as number) + 0.0722 * (linear[2] as number);
    };
    fc.assert(
      fc.property(hex, (colour) => {
        const [a, b] = [light(colour), light(lettersOn(colour))].sort((p, q) => p - q) as [number, number];
        expect((b + 0.05) / (a + 0.05)).toBeGreaterThanOrEqual(4.5);
      }),
    );
  });
});

describe('a way of seeing', () => {
  it('leaves greys as they are', () => {
    for (const vision of VISIONS)
      for (const grey of ['#000000', '#808080', '#ffffff'] as const) expect(seenAs(grey, vision)).toBe(grey);
    for (const matrix of Object.values(VISION_MATRICES))
      for (const row of [0, 3, 6]) expect(matrix.slice(row, row + 3).reduce((a, b) => a + b)).toBeCloseTo(1, 4);
  });

  it('without red or green cones makes a red and a green alike that differ plainly otherwise', () => {
    const [red, green] = ['#b3402e', '#6a7a2e'] as const;
    expect(colourDifference(red, green)).toBeGreaterThan(40);
    expect(colourDifference(seenAs(red, 'deuteranopia'), seenAs(green, 'deuteranopia'))).toBeLessThan(20);
    expect(new Set([1, 3, 5].map((at) => seenAs(red, 'grey').slice(at, at + 2))).size).toBe(1);
  });
});
