import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyStep, repeatsOf } from '../testing/arbitraries.ts';
import { bestFractions } from './bestFractions.ts';
import { pixelGrid } from './pixelFit.ts';
import { tileSizes } from './tileSizes.ts';
import { proportionOf } from './symmetryOps.ts';
import { rotatedStep, SQUARE } from './step.ts';

describe('the fractions nearest to a value', () => {
  it('are all that come nearer than any with a smaller denominator', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3, noNaN: true }), fc.integer({ min: 1, max: 120 }), (value, most) => {
        const wanted: { p: number; q: number }[] = [];
        let least = Infinity;
        for (let q = 1; q <= most; q += 1) {
          const p = Math.round(value * q);
          const off = Math.abs(p / q - value);
          if (off < least) {
            wanted.push({ p, q });
            least = off;
          }
        }
        expect(bestFractions(value, most)).toEqual(wanted);
      }),
    );
  });

  it('of the root of three are the convergents that everyone knows, and what lies between them', () => {
    const found = bestFractions(Math.sqrt(3), 60).map(({ p, q }) => `${p}/${q}`);
    expect(found).toEqual(expect.arrayContaining(['2/1', '5/3', '7/4', '19/11', '26/15', '71/41']));
    expect(found.at(-1)).toBe('97/56');
    expect(() => bestFractions(NaN, 5)).toThrow(RangeError);
    expect(() => bestFractions(-1, 5)).toThrow(RangeError);
  });
});

describe('tiles of whole pixels in proportions that hold a root', () => {
  it('are tiles that a grid has, off their proportions by what they say', () => {
    const sixty = anyStep.filter((step) => ![undefined, 1].includes(proportionOf(step)));
    const side = fc.double({ min: 20, max: 300, noNaN: true });
    fc.assert(
      fc.property(repeatsOf(side, side, sixty), (repeat) => {
        let least = Infinity;
        for (const { width, height, percent } of tileSizes(repeat, 3000)) {
          const once = pixelGrid(repeat, 1);
          const grid = pixelGrid(repeat, (once.scaleX * width) / once.tile.width);
          expect(grid.tile).toMatchObject({ width, height });
          expect(100 * Math.abs(grid.scaleY / grid.scaleX - 1)).toBeCloseTo(percent, 6);
          expect(percent).toBeLessThan(least);
          least = percent;
        }
        expect(least).toBeLessThan(0.01);
      }),
    );
  });

  it('are 97 to 56 for thirds of a turn', () => {
    const repeat = { width: 100, height: 100 / Math.sqrt(3), step: rotatedStep(SQUARE, 'third') };
    expect(tileSizes(repeat, 200).at(-1)).toMatchObject({ width: 194, height: 336 });
    expect(tileSizes({ width: 100, height: 100, step: SQUARE }, 200)).toEqual([]);
  });
});
