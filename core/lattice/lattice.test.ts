import { type Box, intersectBoxes, shiftBox } from '../geometry/index.ts';
import { exportPlan, tileOrder } from '../export/index.ts';
import { anyPoint, anyRepeat, repeatsOf } from '../testing/arbitraries.ts';
import { everyFraction, fraction } from './fraction.ts';
import { indicesTouching, nearestInstanceIndex, translatesWithin } from './instances.ts';
import { latticeDistance, latticeOf, latticeTranslate, nearestDifference, toFundamentalDomain } from './lattice.ts';
import { fitError, pixelGrid, pixelMultiples } from './pixelFit.ts';
import { step } from './step.ts';
import { plainRepeat } from './symmetryOps.ts';
import { tileOf } from './tile.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const anySteps = fc.record({ i: fc.integer({ min: -30, max: 30 }), j: fc.integer({ min: -30, max: 30 }) });

describe('fractions', () => {
  it('are kept in lowest terms within one cell', () => {
    expect(fraction(2, 4)).toEqual({ p: 1, q: 2 });
    expect(fraction(-1, 3)).toEqual({ p: 2, q: 3 });
    expect(fraction(7, 3)).toEqual({ p: 1, q: 3 });
    expect(fraction(3, 3)).toEqual({ p: 0, q: 1 });
    expect(() => fraction(1, 0)).toThrow(RangeError);
    expect(() => fraction(0.5, 2)).toThrow(RangeError);
  });

  it('are all there up to twelfths', () => {
    // The sum of Euler's totient over 2 to 12.
    expect(everyFraction()).toHaveLength(45);
  });
});

describe('the lattice', () => {
  it('has the basis its step says', () => {
    expect(latticeOf({ width: 60, height: 40, step: step('square') })).toMatchObject({
      a: { x: 60, y: 0 },
      b: { x: 0, y: 40 },
    });
    expect(latticeOf({ width: 60, height: 40, step: step('half-drop', 1, 2) })).toMatchObject({
      a: { x: 60, y: 20 },
      b: { x: 0, y: 40 },
    });
    expect(latticeOf({ width: 60, height: 40, step: step('brick', 1, 3) })).toMatchObject({
      a: { x: 60, y: 0 },
      b: { x: 20, y: 40 },
    });
  });

  it('brings every point into the cell, and points that differ by a lattice vector to the same place', () => {
    fc.assert(
      fc.property(anyRepeat, anyPoint, anySteps, (repeat, p, steps) => {
        const lattice = latticeOf(repeat);
        const by = latticeTranslate(lattice, steps);
        const here = toFundamentalDomain(lattice, p);
        expect(here.x >= 0 && here.x < lattice.domain.width && here.y >= 0 && here.y < lattice.domain.height).toBe(
          true,
        );
        const there = toFundamentalDomain(lattice, { x: p.x + by.x, y: p.y + by.y });
        // The two may lie a rounding apart on either side of the cell's edge, so they are compared on the lattice.
        const apart = nearestDifference(lattice, here, there);
        expect(Math.hypot(apart.x, apart.y)).toBeLessThan(1e-9);
        expect(toFundamentalDomain(lattice, here)).toEqual(here);
      }),
      { numRuns: 2000 },
    );
  });

  it('finds exactly the instances that brute force finds', () => {
    // Boxes at most 700 mm apart and cells of at least 40 mm: no step goes further than 36 either way.
    const side = fc.double({ min: 0.1, max: 200, noNaN: true });
    const anyBox: fc.Arbitrary<Box> = fc
      .tuple(
        fc.double({ min: -250, max: 250, noNaN: true }),
        fc.double({ min: -250, max: 250, noNaN: true }),
        side,
        side,
      )
      .map(([left, top, w, h]) => ({ left, top, right: left + w, bottom: top + h }));
    const repeat = repeatsOf(
      fc.double({ min: 40, max: 300, noNaN: true }),
      fc.double({ min: 40, max: 300, noNaN: true }),
    );
    fc.assert(
      fc.property(repeat, anyBox, anyBox, (r, box, window) => {
        const lattice = latticeOf(r);
        const found = new Set(indicesTouching(lattice, box, window).map(({ i, j }) => `${i} ${j}`));
        expect(found.size).toBe(indicesTouching(lattice, box, window).length);
        for (let i = -40; i <= 40; i += 1) {
          for (let j = -40; j <= 40; j += 1) {
            const instance = shiftBox(box, latticeTranslate(lattice, { i, j }));
            const grown = (by: number): Box => ({
              left: instance.left - by,
              top: instance.top - by,
              right: instance.right + by,
              bottom: instance.bottom + by,
            });
            // Boxes that only share a rounding error may be counted either way.
            if (found.has(`${i} ${j}`) ? !intersectBoxes(grown(1e-9), window) : intersectBoxes(grown(-1e-9), window))
              throw new Error(`wrong about the instance at ${i}, ${j}`);
            found.delete(`${i} ${j}`);
          }
        }
        expect(found.size).toBe(0);
      }),
      { numRuns: 150 },
    );
  });

  it('finds the instance nearest to a point, however long the cell is', () => {
    fc.assert(
      fc.property(anyRepeat, anyPoint, anyPoint, (repeat, origin, p) => {
        const lattice = latticeOf(repeat);
        const distance = (steps: { i: number; j: number }): number => {
          const by = latticeTranslate(lattice, steps);
          return Math.hypot(origin.x + by.x - p.x, origin.y + by.y - p.y);
        };
        const best = nearestInstanceIndex(lattice, origin, p);
        for (let di = -13; di <= 13; di += 1) {
          for (let dj = -13; dj <= 13; dj += 1)
            expect(distance(best)).toBeLessThanOrEqual(distance({ i: best.i + di, j: best.j + dj }) + 1e-6);
        }
        const apart = nearestDifference(lattice, p, origin);
        expect(Math.hypot(apart.x, apart.y)).toBeCloseTo(distance(best), 6);
        expect(latticeDistance(lattice, p.x - origin.x, p.y - origin.y)).toBeCloseTo(distance(best), 6);
      }),
    );
  });

  it('has two short vectors that make its cell, between 60° and 120° apart', () => {
    fc.assert(
      fc.property(anyRepeat, (repeat) => {
        const {
          a,
          b,
          shortBasis: [u, v],
        } = latticeOf(repeat);
        expect(u.x * v.y - u.y * v.x).toSatisfy(
          (det: number) => Math.abs(Math.abs(det) - Math.abs(a.x * b.y - a.y * b.x)) < 1e-6 * Math.abs(det),
        );
        for (const latticeVector of [u, v])
          expect(
            Math.hypot(
              latticeVector.x - latticeVector.i * a.x - latticeVector.j * b.x,
              latticeVector.y - latticeVector.i * a.y - latticeVector.j * b.y,
            ),
          ).toBeLessThan(1e-6);
        expect(Math.abs(u.x * v.x + u.y * v.y)).toBeLessThanOrEqual((0.5 + 1e-9) * (u.x * u.x + u.y * u.y));
        expect(Math.hypot(u.x, u.y)).toBeLessThanOrEqual(Math.hypot(v.x, v.y) * (1 + 1e-9));
      }),
    );
  });

  it('finds every displacement within a distance', () => {
    fc.assert(
      fc.property(
        repeatsOf(fc.double({ min: 20, max: 90, noNaN: true }), fc.double({ min: 20, max: 90, noNaN: true })),
        anyPoint,
        fc.double({ min: 0, max: 120, noNaN: true }),
        (repeat, from, far) => {
          const lattice = latticeOf(repeat);
          const near = nearestDifference(lattice, from, { x: 0, y: 0 });
          let count = 0;
          for (let i = -40; i <= 40; i += 1) {
            for (let j = -40; j <= 40; j += 1) {
              const by = latticeTranslate(lattice, { i, j });
              const distance = Math.hypot(near.x + by.x, near.y + by.y);
              fc.pre(Math.abs(distance - far) > 1e-6);
              if (distance < far) count += 1;
            }
          }
          expect(translatesWithin(lattice, from, far)).toHaveLength(count);
        },
      ),
    );
  });
});

describe('the tile', () => {
  it('is a lattice of its own within the step: its sides are lattice vectors', () => {
    fc.assert(
      fc.property(anyRepeat, (repeat) => {
        const unit = tileOf(repeat);
        const lattice = latticeOf(repeat);
        for (const side of [
          { x: unit.width, y: 0 },
          { x: 0, y: unit.height },
        ]) {
          const apart = nearestDifference(lattice, side, { x: 0, y: 0 });
          expect(Math.hypot(apart.x, apart.y)).toBeLessThan(1e-8);
        }
        // As many cells as it has area for, which is as many as the domain holds, times the plain repeat's drop.
        const plain = plainRepeat(repeat);
        expect(unit.cells).toBe(lattice.ops.length * plain.step.drop.q);
        expect(unit.width * unit.height).toBeCloseTo(unit.cells * lattice.cell.area, 3);
        expect(unit.width).toBeCloseTo(unit.columns * repeat.width, 6);
        expect(unit.height).toBeCloseTo(unit.rows * repeat.height, 6);
      }),
    );
  });
});

describe('the whole-pixel fit', () => {
  it('is whole in cell, drop and unit, and as near as wholeness allows', () => {
    fc.assert(
      fc.property(anyRepeat, fc.integer({ min: 30, max: 1200 }), (repeat, dpi) => {
        const grid = exportPlan(repeat, tileOrder({ kind: 'density', dpi })).grid;
        const { a, b } = grid.lattice;
        for (const n of [grid.cell.width, grid.cell.height, a.x, a.y, b.x, b.y, grid.tile.width, grid.tile.height]) {
          expect(Number.isInteger(n)).toBe(true);
        }
        const exact = latticeOf(grid.cell);
        expect(Math.abs(exact.a.y - a.y) + Math.abs(exact.b.x - b.x)).toBeLessThan(1e-9);
        const error = fitError(repeat, grid, dpi);
        const pixel = 25.4 / dpi;
        const multiples = pixelMultiples(repeat.step);
        // A cell is at least one multiple, however small it is.
        const tall = repeat.height * grid.scaleY > 1.5 * multiples.height ? 0.5 : 1;
        const wide = repeat.width * grid.scaleX > 1.5 * multiples.width ? 0.5 : 1;
        expect(Math.abs(error.widthMm)).toBeLessThanOrEqual(wide * pixel * multiples.width + 1e-9);
        expect(Math.abs(error.heightMm)).toBeLessThanOrEqual(tall * pixel * multiples.height + 1e-9);
        expect(error.widthPercent).toBeCloseTo((100 * error.widthMm) / repeat.width, 9);
      }),
      { numRuns: 1000 },
    );
  });

  it('gives the known numbers for a 64 cm half-drop at 300 dpi', () => {
    const repeat = { width: 640, height: 640, step: step('half-drop', 1, 2) };
    const grid = exportPlan(repeat, tileOrder({ kind: 'density', dpi: 300 })).grid;
    // 640 mm is 7559.06 px: whole across, and the nearest even number down.
    expect([grid.cell.width, grid.cell.height, grid.lattice.a.y, grid.tile.width, grid.tile.height]).toEqual([
      7559, 7560, 3780, 15118, 7560,
    ]);
    expect(fitError(repeat, grid, 300).heightMm).toBeCloseTo(0.08, 6);
  });

  it('comes as near to a wished width as the step allows', () => {
    const third = { width: 100, height: 80, step: step('half-drop', 1, 3) };
    expect(exportPlan(third, tileOrder({ kind: 'pixels', width: 1000 })).grid.tile.width).toBe(999);
    expect(
      exportPlan({ ...third, step: step('square') }, tileOrder({ kind: 'pixels', width: 1000 })).grid.tile.width,
    ).toBe(1000);
  });

  it('never rounds a cell away', () => {
    expect(pixelGrid({ width: 5, height: 5, step: step('brick', 5, 12) }, 0.001).cell).toMatchObject({
      width: 12,
      height: 1,
    });
  });
});
