import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { squaredDistances } from './distanceField.ts';

describe('distances to what is set', () => {
  it('are those of the nearest place, tried one by one', () => {
    const picture = fc
      .tuple(fc.integer({ min: 1, max: 24 }), fc.integer({ min: 1, max: 24 }), fc.integer({ min: 1, max: 40 }))
      .chain(([width, height, rare]) =>
        fc
          .array(fc.integer({ min: 0, max: rare }), { minLength: width * height, maxLength: width * height })
          .map((drawn) => ({ width, height, set: Uint8Array.from(drawn, (n) => (n === 0 ? 1 : 0)) })),
      );
    fc.assert(
      fc.property(picture, ({ width, height, set }) => {
        const found = squaredDistances(set, width, height);
        for (let n = 0; n < set.length; n += 1) {
          let least = 1e20;
          for (let m = 0; m < set.length; m += 1)
            if (set[m])
              least = Math.min(
                least,
                ((m % width) - (n % width)) ** 2 + (Math.floor(m / width) - Math.floor(n / width)) ** 2,
              );
          expect(found[n]).toBe(least);
        }
      }),
    );
  });
});
