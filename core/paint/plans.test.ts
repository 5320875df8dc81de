import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { step, tileOf } from '../lattice/index.ts';
import { anyRepeat } from '../testing/arbitraries.ts';
import { clothPlan } from './clothPlan.ts';

const seen = { width: 1280, height: 800 };

describe('the plan of the cloth', () => {
  it('paints the cell where it fits, the window where the cell is larger, the far unit where the cell is tiny', () => {
    const repeat = { width: 240, height: 320, step: step('half-drop', 1, 2) };
    expect(clothPlan(repeat, 2, seen).kind).toBe('cell');
    expect(clothPlan(repeat, 12, seen).kind).toBe('window');
    expect(clothPlan(repeat, 0.2, seen)).toMatchObject({ kind: 'far', reduction: 8 });
  });

  it('is whole in pixels and never asks for more than can be painted between two looks', () => {
    fc.assert(
      fc.property(anyRepeat, fc.double({ min: 0.02, max: 60, noNaN: true }), (repeat, scale) => {
        const { kind, grid, reduction, scaleX, scaleY } = clothPlan(repeat, scale, seen);
        for (const n of [grid.cell.width, grid.cell.height, grid.lattice.a.y, grid.lattice.b.x])
          expect(Number.isInteger(n)).toBe(true);
        expect(scaleX).toBeCloseTo(grid.scaleX / reduction, 12);
        expect(scaleY).toBeCloseTo(grid.scaleY / reduction, 12);
        if (kind === 'far') {
          expect(Math.log2(reduction) % 1).toBe(0);
          expect(Math.max(grid.tile.width, grid.tile.height)).toBeLessThanOrEqual(8192 + 12);
          expect(grid.tile.width * grid.tile.height).toBeLessThan(1.2 * 2 ** 22);
        } else {
          expect(reduction).toBe(1);
        }
        if (kind === 'cell')
          expect(grid.cell.width * grid.cell.height).toBeLessThanOrEqual(1.5 * seen.width * seen.height);
      }),
      { numRuns: 500 },
    );
  });

  it('stays within four thousandths of the wished scale, unless the painted tile would grow beyond its limits', () => {
    fc.assert(
      fc.property(anyRepeat, fc.double({ min: 0.02, max: 60, noNaN: true }), (repeat, scale) => {
        const { grid, scaleX, scaleY } = clothPlan(repeat, scale, seen);
        const off = Math.max(Math.abs(scaleX / scale - 1), Math.abs(scaleY / scale - 1));
        const tile = tileOf(repeat);
        const [width, height] = [2 * tile.width * grid.scaleX, 2 * tile.height * grid.scaleY];
        // The limits count the wished tile, not the one in whole pixels.
        if (Math.max(width, height) < 8000 && width * height < 4e6) expect(off).toBeLessThan(0.0041);
      }),
      { numRuns: 500 },
    );
  });
});
