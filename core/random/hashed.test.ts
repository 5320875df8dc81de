import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hashed, hashedNext, unitOf } from './hashed.ts';

const whole = fc.integer({ min: -100_000, max: 100_000 });

describe('a hash of a place', () => {
  it('is the same number of 32 bits for the same seed and place', () => {
    fc.assert(
      fc.property(fc.nat(), whole, whole, (seed, x, y) => {
        const hash = hashed(seed, x, y);
        expect(hash).toBe(hashed(seed, x, y));
        expect(hash).toBe(hash | 0);
        expect(unitOf(hash)).toBeGreaterThanOrEqual(0);
        expect(unitOf(hash)).toBeLessThan(1);
      }),
    );
  });

  it('is spread evenly over neighbouring places, and over the numbers that follow one', () => {
    for (const seed of [0, 1, 999_999]) {
      const numbers: number[] = [];
      for (let y = 0; y < 60; y++)
        for (let x = 0; x < 60; x++) {
          const hash = hashed(seed, x, y);
          numbers.push(unitOf(hash), unitOf(hashedNext(hash)));
        }
      const tenths = Array<number>(10).fill(0);
      for (const n of numbers) tenths[Math.floor(10 * n)] = (tenths[Math.floor(10 * n)] ?? 0) + 1;
      // Six standard deviations of a tenth of 7,200.
      for (const count of tenths) expect(Math.abs(count - 720)).toBeLessThan(153);
    }
  });
});
