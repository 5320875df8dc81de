import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from './seeded.ts';

const first = (seed: number, count: number): number[] => {
  const random = seeded(seed);
  return Array.from({ length: count }, () => random());
};

describe('seeded numbers', () => {
  it('are the same for the same seed on every machine', () => {
    fc.assert(fc.property(fc.integer(), (seed) => void expect(first(seed, 20)).toEqual(first(seed, 20))));
    // Whole numbers, so that any slip of a bit shows.
    expect(first(1, 3).map((n) => n * 2 ** 32)).toEqual(first(1, 3).map((n) => Math.round(n * 2 ** 32)));
  });

  it('lie from 0 up to 1 and are spread evenly', () => {
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        const numbers = first(seed, 2000);
        expect(numbers.every((n) => n >= 0 && n < 1)).toBe(true);
        const mean = numbers.reduce((a, b) => a + b) / numbers.length;
        // Six standard deviations of the mean of so many.
        expect(Math.abs(mean - 0.5)).toBeLessThan(0.04);
      }),
    );
  });

  it('differ for neighbouring seeds', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e6 }),
        (seed) => void expect(first(seed, 4)).not.toEqual(first(seed + 1, 4)),
      ),
    );
  });
});
