import fc from 'fast-check';
import { expect, it } from 'vitest';
import { anyRepeat } from '../testing/arbitraries.ts';
import { formatLength } from '../units/index.ts';
import { latticeOf, latticeTranslate } from './lattice.ts';
import { placeInCell } from './placeInCell.ts';

const far = fc.double({ min: -2000, max: 2000, noNaN: true });
const few = fc.integer({ min: -20, max: 20 });

it('a place in the cell is a repeat of the place, within the cell, and the same from every cell', () => {
  fc.assert(
    fc.property(anyRepeat, far, far, few, few, (repeat, x, y, i, j) => {
      const lattice = latticeOf(repeat);
      const { width, height } = lattice.domain;
      const place = placeInCell(lattice, { x, y });
      expect(place.x).toBeGreaterThan(-0.00501);
      expect(place.x).toBeLessThan(width);
      expect(place.y).toBeGreaterThan(-0.00501);
      expect(place.y).toBeLessThan(height);
      const by = latticeTranslate(lattice, { i, j });
      const again = placeInCell(lattice, { x: place.x + by.x, y: place.y + by.y });
      // On the very edge, rounding may decide for one cell or its neighbour.
      const apart = (a: number, b: number, size: number): number => Math.min(Math.abs(a - b), size - Math.abs(a - b));
      if (lattice.domain.stacked === 'columns') expect(apart(again.x, place.x, width)).toBeLessThan(1e-6);
      else expect(apart(again.y, place.y, height)).toBeLessThan(1e-6);
    }),
  );
});

it('what is written as the full width is nought', () => {
  const lattice = latticeOf({ width: 100, height: 60, step: { kind: 'square', drop: { p: 0, q: 1 } } });
  const text = (x: number): string => formatLength(placeInCell(lattice, { x, y: 0 }).x, 'mm');
  expect([99.9999999, 100, 200 - 1e-9, 299.996, -1e-9].map(text)).toEqual(['0 mm', '0 mm', '0 mm', '0 mm', '0 mm']);
  expect(text(299.99)).toBe('99.99 mm');
});
