import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pixelGrid, toFundamentalDomain } from '../lattice/index.ts';
import { anyStep, repeatsOf } from '../testing/arbitraries.ts';
import { brokenJoins } from './brokenJoins.ts';

describe('broken joins', () => {
  it('are none of what repeats, and each pixel that does not', () => {
    const sizes = fc.integer({ min: 6, max: 20 });
    fc.assert(
      fc.property(repeatsOf(sizes, sizes, anyStep), fc.array(fc.nat(), { maxLength: 5 }), (repeat, places) => {
        const grid = pixelGrid(repeat, 1);
        const { width, height } = grid.cell;
        const cell = Uint8ClampedArray.from({ length: 4 * width * height }, (_, n) => (n * 97) % 251);
        const from = { x: Math.round(width / 2), y: Math.round(height / 2) };
        const across = new Uint8ClampedArray(cell.length);
        for (let n = 0; n < width * height; n += 1) {
          const at = toFundamentalDomain(grid.lattice, { x: (n % width) + from.x, y: Math.floor(n / width) + from.y });
          across.set(cell.subarray(4 * (at.y * width + at.x), 4 * (at.y * width + at.x) + 4), 4 * n);
        }
        expect(brokenJoins(cell, across, grid, from)).toBe(0);
        const changed = new Set(places.map((place) => place % (width * height)));
        for (const n of changed) across[4 * n] = (across[4 * n] as number) ^ 1;
        expect(brokenJoins(cell, across, grid, from)).toBe(changed.size);
      }),
    );
  });
});
