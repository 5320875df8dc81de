import fc from 'fast-check';
import { expect, it } from 'vitest';
import { repeatSchema } from '../lattice/index.ts';
import { anyRepeat } from '../testing/arbitraries.ts';
import { repeatAcross } from './repeatAcross.ts';

it('makes a number of repeats fill a width exactly, in their proportions', () => {
  fc.assert(
    fc.property(
      anyRepeat,
      fc.double({ min: 50, max: 5000, noNaN: true }),
      fc.integer({ min: 1, max: 40 }),
      (repeat, width, count) => {
        const next = repeatAcross({ ...repeat, module: 10 }, width, count);
        if (!next) return;
        expect(next.width * count).toBeCloseTo(width, 6);
        expect(next.width / next.height).toBeCloseTo(repeat.width / repeat.height, 9);
        expect(next.step).toEqual(repeat.step);
        expect(repeatSchema.isValidSync(next, { strict: true })).toBe(true);
      },
    ),
  );
});

it('says where a cell cannot be so small or so large', () => {
  const repeat = { width: 100, height: 50, step: { kind: 'square', drop: { p: 0, q: 1 } } } as const;
  expect(repeatAcross(repeat, 50, 40)).toBeUndefined();
  expect(repeatAcross(repeat, 6000, 1)).toBeUndefined();
});
