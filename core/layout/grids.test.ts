import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shapeMatrix } from '../document/index.ts';
import { transform } from '../geometry/index.ts';
import { type Lattice, latticeOf, nearestDifference, SQUARE } from '../lattice/index.ts';
import { type Motif, naturalHeight } from '../motif/index.ts';
import type { GridRecipe } from '../recipe/index.ts';
import { anyStep, leafAt } from '../testing/arbitraries.ts';
import { anglesOf, layGrid, nearestAngle } from './layGrid.ts';
import { superlatticesOf } from './superlattice.ts';
import { MOTIFS } from '../testing/layoutFixtures.ts';

/** No step with reflections: nothing closes there. */
const anyPlainStep = anyStep.filter(({ mirrored, rotated }) => mirrored === undefined && rotated === undefined);

const anyCell = fc.record({
  width: fc.double({ min: 60, max: 300, noNaN: true }),
  height: fc.double({ min: 60, max: 300, noNaN: true }),
  step: anyPlainStep,
});

const isWhole = (n: number): boolean => Math.abs(n - Math.round(n)) < 1e-6;

/** Whether a point is reached by whole steps of a grid. */
function isOn(
  { u, v }: { u: { x: number; y: number }; v: { x: number; y: number } },
  { x, y }: { x: number; y: number },
): boolean {
  const det = u.x * v.y - u.y * v.x;
  return isWhole((x * v.y - y * v.x) / det) && isWhole((u.x * y - u.y * x) / det);
}

const shapeOf = (lattice: Lattice, recipe: GridRecipe) => layGrid(lattice, recipe, MOTIFS.get(recipe.motif) as Motif);

describe('grids', () => {
  it('close on the lattice, whatever it is: its own vectors are whole steps of theirs', () => {
    fc.assert(
      fc.property(anyCell, fc.integer({ min: 1, max: 60 }), (repeat, count) => {
        const lattice = latticeOf(repeat);
        const grids = superlatticesOf(lattice, count);
        expect(grids.length).toBeGreaterThan(0);
        for (const grid of grids) {
          expect(isOn(grid, lattice.a) && isOn(grid, lattice.b)).toBe(true);
          expect((grid.u.x * grid.v.y - grid.u.y * grid.v.x) * count).toBeCloseTo(repeat.width * repeat.height, 4);
        }
      }),
    );
  });

  it('have as many points to the cell as were asked for, none twice and all equally far apart', () => {
    fc.assert(
      fc.property(
        anyCell,
        fc.integer({ min: 1, max: 40 }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.constantFrom('dots' as const, 'checks' as const, 'ogees' as const),
        (repeat, count, angle, figure) => {
          const lattice = latticeOf(repeat);
          const placed = shapeOf(lattice, {
            kind: 'grid',
            figure,
            motif: 'square',
            fitted: true,
            count,
            angle,
            size: 1,
          });
          expect(placed).toHaveLength(count);
          const [first, ...rest] = placed;
          for (const one of rest) {
            const by = nearestDifference(lattice, one, first ?? one);
            expect(Math.hypot(by.x, by.y)).toBeGreaterThan(1e-6);
          }
          const angles = anglesOf(lattice, { figure, count });
          expect(angles).toContain(nearestAngle(angles, angle, { figure }));
          // Checks that touch cover half of the cloth, ogees' boxes twice as much as there is.
          const [a, b, c, d] = shapeMatrix(first as never, MOTIFS.get('square') as Motif);
          const area = Math.abs(a * d - b * c) * 60 * 60 * count;
          if (figure !== 'dots')
            expect(area / (repeat.width * repeat.height)).toBeCloseTo(figure === 'checks' ? 0.5 : 2, 6);
        },
      ),
    );
  });

  it('lay checks corner to corner', () => {
    const lattice = latticeOf({ width: 80, height: 80, step: SQUARE });
    const placed = shapeOf(lattice, {
      kind: 'grid',
      figure: 'checks',
      motif: 'square',
      fitted: true,
      count: 8,
      angle: 0,
      size: 1,
    });
    // Eight squares of 20 mm: a chessboard of four by four.
    for (const one of placed)
      expect(one).toMatchObject({
        scale: expect.closeTo(20 / 30, 9) as number,
        aspect: expect.closeTo(1, 9) as number,
        skew: expect.closeTo(0, 9) as number,
      });
    const upright = placed.map(({ rotation }) => Math.abs(rotation % 90));
    expect(Math.max(...upright.map((turn) => Math.min(turn, 90 - turn)))).toBeCloseTo(0, 6);
    for (const one of placed) {
      const near = placed.filter((other) => {
        const by = nearestDifference(lattice, other, one);
        return Math.abs(Math.abs(by.x) - 20) < 1e-6 && Math.abs(Math.abs(by.y) - 20) < 1e-6;
      });
      expect(near.length).toBeGreaterThan(0);
    }
  });

  it('lay stripes along lattice vectors, evenly apart, a little over their own ends', () => {
    fc.assert(
      fc.property(
        anyCell,
        fc.integer({ min: 1, max: 12 }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        (repeat, count, angle) => {
          const lattice = latticeOf(repeat);
          const placed = shapeOf(lattice, {
            kind: 'grid',
            figure: 'stripes',
            motif: 'wide',
            fitted: true,
            count,
            angle,
            size: 0.5,
          });
          expect(placed).toHaveLength(count);
          const motif = MOTIFS.get('wide') as Motif;
          for (const one of placed) {
            const radians = (one.rotation * Math.PI) / 180;
            const length = motif.width * one.scale - 1;
            // Its own length on, the cloth is the same again.
            const by = nearestDifference(
              lattice,
              { x: length * Math.cos(radians), y: length * Math.sin(radians) },
              { x: 0, y: 0 },
            );
            expect(Math.hypot(by.x, by.y)).toBeLessThan(1e-5);
            // Half of the cloth is striped.
            expect(
              (length * naturalHeight(motif) * one.scale * one.aspect * count) / (repeat.width * repeat.height),
            ).toBeCloseTo(0.5, 6);
          }
        },
      ),
    );
  });

  it('offer only angles that close, such as those of 3, 4, 5 for twenty-five dots', () => {
    const lattice = latticeOf({ width: 100, height: 100, step: SQUARE });
    const angles = anglesOf(lattice, { figure: 'dots', count: 25 });
    expect(angles.some((angle) => Math.abs(angle - (Math.atan2(3, 4) * 180) / Math.PI) < 1e-6)).toBe(true);
    expect(nearestAngle(angles, 37, { figure: 'dots' })).toBeCloseTo(36.8699, 3);
    expect(nearestAngle(anglesOf(lattice, { figure: 'stripes', count: 3 }), 44, { figure: 'stripes' })).toBeCloseTo(
      45,
      6,
    );
  });

  it('keep a motif’s proportions that is not made to fill', () => {
    const [dot] = shapeOf(latticeOf({ width: 80, height: 80, step: SQUARE }), {
      kind: 'grid',
      figure: 'dots',
      motif: 'tall',
      fitted: false,
      count: 4,
      angle: 0,
      size: 0.5,
    });
    expect(dot).toMatchObject({ scale: 20 / 50, aspect: 1, skew: 0, rotation: 0 });
    const row = shapeOf(latticeOf({ width: 80, height: 80, step: SQUARE }), {
      kind: 'grid',
      figure: 'stripes',
      motif: 'wide',
      fitted: false,
      count: 2,
      angle: 0,
      size: 0.5,
    });
    // 20 mm high and 80 mm wide, one to a stripe.
    expect(row).toHaveLength(2);
    expect(
      transform(shapeMatrix({ ...leafAt('a', {}), ...(row[0] as object) }, MOTIFS.get('wide') as Motif), {
        x: 120,
        y: 0,
      }).x,
    ).toBeCloseTo(40, 6);
  });
});
