import fc from 'fast-check';
import { expect, it } from 'vitest';
import { pixelGrid, toFundamentalDomain } from '../lattice/index.ts';
import { anyStep, repeatsOf } from '../testing/arbitraries.ts';
import { cellRowsOf, copyPlaneRow } from './planeRows.ts';

const size = fc.double({ min: 8, max: 30, noNaN: true });

it('copies each pixel of a row of the plane out of the cell, and out of the rows that it says', () => {
  fc.assert(
    fc.property(
      repeatsOf(size, size, anyStep),
      fc.integer({ min: -90, max: 90 }),
      fc.integer({ min: -90, max: 90 }),
      fc.integer({ min: 1, max: 120 }),
      (repeat, y, left, width) => {
        const grid = pixelGrid(repeat, 1);
        const { cell } = grid;
        // Each pixel of the cell says where it is.
        const pixels = new Uint8Array(2 * cell.width * cell.height);
        for (let n = 0; n < cell.width * cell.height; n++)
          pixels.set([n % cell.width, Math.floor(n / cell.width)], 2 * n);
        const row = { y, left, right: left + width };
        const out = new Uint8Array(2 * width);
        copyPlaneRow(pixels, grid, 2, row, out, 0);
        const rows = new Set<number>();
        for (let x = 0; x < width; x++) {
          const own = toFundamentalDomain(grid.lattice, { x: left + x, y });
          expect([out[2 * x], out[2 * x + 1]]).toEqual([own.x, own.y]);
          rows.add(own.y);
        }
        expect(new Set(cellRowsOf(grid, row))).toEqual(rows);
      },
    ),
  );
});
