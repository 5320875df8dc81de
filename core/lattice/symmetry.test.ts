import { apply, type Command, inverse } from '../document/index.ts';
import { type Point, poseMatrix, transform } from '../geometry/index.ts';
import {
  anyDesign,
  anyPlacementFields,
  anyPoint,
  anyRepeat,
  anyStep,
  MIRRORED_STEPS,
  ROTATED_STEPS,
} from '../testing/arbitraries.ts';
import { isInCell } from './cell.ts';
import { HEXAGON } from './hexagon.ts';
import { hexagonOf, honeycombOf } from './honeycomb.ts';
import { latticeDistance, latticeOf, nearestDifference, orbitDistance } from './lattice.ts';
import { pixelGrid } from './pixelFit.ts';
import { keepsProportion, type Repeat, withStep } from './repeat.ts';
import { mirroredStep, planeGroupOf, SQUARE, step } from './step.ts';
import { applyOpToPoint, applyOpToPose } from './symmetry.ts';
import { symmetryElements } from './symmetryElements.ts';
import { symmetryOpsOf } from './symmetryOps.ts';
import { tileOf } from './tile.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const anyMirrored = fc
  .tuple(anyRepeat, fc.constantFrom(...MIRRORED_STEPS, ...ROTATED_STEPS))
  .map(([repeat, step]) => withStep(repeat, step));

/** The plane group, as the decision tree of crystallography has it: by the highest order of rotation, then mirrors, then glides. */
function groupOf(repeat: Repeat): string {
  const lattice = latticeOf(repeat);
  const { domain } = lattice;
  const { centres, axes } = symmetryElements(lattice, { left: 0, top: 0, right: domain.width, bottom: domain.height });
  const mirrors = axes.filter(({ glides }) => !glides);
  const order = Math.max(1, ...centres.map((centre) => centre.order));
  const near = 1e-6 * Math.max(domain.width, domain.height);
  const isOnMirror = (p: Point): boolean =>
    mirrors.some(({ from, to }) => {
      const [x, y] = [to.x - from.x, to.y - from.y];
      return Math.abs((p.x - from.x) * y - (p.y - from.y) * x) / Math.hypot(x, y) < near;
    });
  const main = centres.filter((centre) => centre.order === order);
  if (order === 6) return mirrors.length > 0 ? 'p6m' : 'p6';
  if (order === 4) return mirrors.length === 0 ? 'p4' : main.every(isOnMirror) ? 'p4m' : 'p4g';
  if (order === 3) return mirrors.length === 0 ? 'p3' : main.every(isOnMirror) ? 'p3m1' : 'p31m';
  const directions = new Set(mirrors.map(({ from, to }) => (Math.abs(to.x - from.x) < near ? 'upright' : 'level')));
  if (order === 2) {
    if (directions.size === 2) return main.every(isOnMirror) ? 'pmm' : 'cmm';
    return directions.size === 1 ? 'pmg' : axes.length > 0 ? 'pgg' : 'p2';
  }
  if (mirrors.length > 0) return axes.some(({ glides }) => glides) ? 'cm' : 'pm';
  return axes.length > 0 ? 'pg' : 'p1';
}

describe('the operations of a mirrored or rotated step', () => {
  it('are a group with the lattice: an image of an image is an image, some whole steps away', () => {
    fc.assert(
      fc.property(anyMirrored, anyPoint, (repeat, p) => {
        const lattice = latticeOf(repeat);
        for (const first of lattice.ops) {
          for (const second of lattice.ops) {
            const twice = applyOpToPoint(second, applyOpToPoint(first, p));
            const apart = lattice.ops.map((image) => {
              const by = nearestDifference(lattice, applyOpToPoint(image, p), twice);
              return Math.hypot(by.x, by.y);
            });
            expect(Math.min(...apart)).toBeLessThan(1e-9);
          }
        }
      }),
    );
  });

  it('are the plane group that is named, told apart by turns, mirrors and glides', () => {
    fc.assert(
      fc.property(anyMirrored, (repeat) => {
        expect(groupOf(repeat)).toBe(planeGroupOf(repeat.step));
      }),
    );
  });

  it('are seventeen groups, with that of no operations', () => {
    const groups = [...MIRRORED_STEPS, ...ROTATED_STEPS, SQUARE].map(planeGroupOf);
    expect(new Set(groups).size).toBe(17);
  });

  it('hold the cell once each: any point is shown in one of the cells, and in no more than one', () => {
    fc.assert(
      fc.property(
        anyMirrored,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (repeat, u, v) => {
          const { ops, domain, cell, a, b } = latticeOf(repeat);
          expect(domain.width * domain.height).toBeCloseTo(ops.length * cell.area, 6);
          const twice = cell.corners.reduce((sum, p, n) => {
            const q = cell.corners[(n + 1) % cell.corners.length] as Point;
            return sum + p.x * q.y - q.x * p.y;
          }, 0);
          expect(twice / 2 / cell.area).toBeCloseTo(1, 9);
          const p = { x: u * domain.width, y: v * domain.height };
          /** How often the orbit of the point is in the cell, grown or shrunk about its middle. */
          const times = (size: number): number => {
            const middle = {
              x: cell.corners.reduce((sum, { x }) => sum + x, 0) / cell.corners.length,
              y: cell.corners.reduce((sum, { y }) => sum + y, 0) / cell.corners.length,
            };
            const steps = [-3, -2, -1, 0, 1, 2, 3];
            return ops
              .map((op) => applyOpToPoint(op, p))
              .flatMap((at) =>
                steps.flatMap((i) => steps.map((j) => ({ x: at.x + i * a.x + j * b.x, y: at.y + i * a.y + j * b.y }))),
              )
              .filter(({ x, y }) =>
                isInCell(cell, { x: middle.x + (x - middle.x) / size, y: middle.y + (y - middle.y) / size }),
              ).length;
          };
          expect(times(1 + 1e-9)).toBeGreaterThanOrEqual(1);
          expect(times(1 - 1e-9)).toBeLessThanOrEqual(1);
        },
      ),
    );
  });

  it('reflect every other column, row, or both about the edges between them', () => {
    const at = { x: 7, y: 4 };
    const shown = (kind: Parameters<typeof mirroredStep>[0], mirrored: Parameters<typeof mirroredStep>[1]) =>
      symmetryOpsOf({ width: 60, height: 40, step: mirroredStep(kind, mirrored) }).map((image) =>
        applyOpToPoint(image, at),
      );
    expect(shown(step('square'), 'columns')).toEqual([at, { x: -7, y: 4 }]);
    expect(shown(step('square'), 'rows')).toEqual([at, { x: 7, y: -4 }]);
    expect(shown(step('square'), 'both')).toEqual([at, { x: -7, y: 4 }, { x: 7, y: -4 }, { x: -7, y: -4 }]);
    expect(shown(step('half-drop'), 'columns')).toEqual([at, { x: -7, y: 24 }]);
    expect(shown(step('brick'), 'rows')).toEqual([at, { x: 37, y: -4 }]);
    expect(() => mirroredStep(step('half-drop', 1, 3), 'columns')).toThrow(RangeError);
    expect(() => mirroredStep(step('brick'), 'columns')).toThrow(RangeError);
  });

  it('show a pose as its points are shown, whatever it is', () => {
    fc.assert(
      fc.property(anyMirrored, anyPlacementFields, anyPoint, (repeat, pose, p) => {
        for (const image of symmetryOpsOf(repeat)) {
          const there = transform(poseMatrix(applyOpToPose(image, pose)), p);
          const wanted = applyOpToPoint(image, transform(poseMatrix(pose), p));
          expect(Math.hypot(there.x - wanted.x, there.y - wanted.y)).toBeLessThan(1e-8 * (1 + Math.hypot(p.x, p.y)));
        }
      }),
    );
  });

  it('lie as near as the nearest of them', () => {
    fc.assert(
      fc.property(anyRepeat, anyPoint, anyPoint, (repeat, p, q) => {
        const lattice = latticeOf(repeat);
        const each = lattice.ops
          .map((image) => applyOpToPoint(image, q))
          .map(({ x, y }) => latticeDistance(lattice, x - p.x, y - p.y));
        expect(orbitDistance(lattice, p, q)).toBe(Math.min(...each));
      }),
    );
  });

  it('are of whole pixels, each cell by itself', () => {
    fc.assert(
      fc.property(anyMirrored, fc.double({ min: 0.3, max: 12, noNaN: true }), (repeat, scale) => {
        const { lattice, scaleX, scaleY, tile } = pixelGrid(repeat, scale);
        const own = { width: repeat.width * scaleX, height: repeat.height * scaleY };
        expect(Math.abs(own.width - Math.round(own.width))).toBeLessThan(1e-9);
        expect(Math.abs(own.height - Math.round(own.height))).toBeLessThan(1e-9);
        expect(tile).toEqual(tileOf(pixelGrid(repeat, scale).cell));
        expect([lattice.a.x, lattice.a.y, lattice.b.x, lattice.b.y].every(Number.isInteger)).toBe(true);
      }),
    );
  });

  it('come and go with the step, every motif left where its own cell shows it, and undone to the bit', () => {
    fc.assert(
      fc.property(anyDesign(), anyStep, (loose, next) => {
        const design = apply(
          { ...loose, placements: [] },
          { type: 'insert', placements: loose.placements.map((placement, index) => ({ index, placement })) },
        );
        const command: Command = { type: 'repeat', repeat: withStep(design.repeat, next) };
        const after = apply(design, command);
        const back = apply(after, inverse(design, command));
        expect(back).toEqual(design);
        const [from, to] = [latticeOf(design.repeat), latticeOf(after.repeat)];
        design.placements.forEach((placement, n) => {
          const left = after.placements[n];
          if (!left) throw new Error('a motif is gone');
          expect(left.x < to.domain.width && left.y < to.domain.height).toBe(true);
          // What lies on the axis is at both edges of the cell alike. Places are rounded to a billionth of a mm in each direction, twice here,
          // and again as they are turned about the axes.
          const isOnAxis = from.cell.corners.some((p, k) => {
            const q = from.cell.corners[(k + 1) % from.cell.corners.length] as Point;
            const [x, y] = [q.x - p.x, q.y - p.y];
            return Math.abs((placement.x - p.x) * y - (placement.y - p.y) * x) / Math.hypot(x, y) < 3e-9;
          });
          if (design.repeat.step.mirrored && !next.mirrored && !isOnAxis)
            expect(orbitDistance(from, placement, left)).toBeLessThan(3e-9);
        });
      }),
    );
  });
});

describe('a honeycomb', () => {
  it('has a lattice of points all equally far from six neighbours, and regular hexagons about them', () => {
    fc.assert(
      fc.property(anyRepeat, (repeat) => {
        const comb = honeycombOf(repeat);
        expect(keepsProportion(comb)).toBe(true);
        const { a, b } = latticeOf(comb);
        const side = Math.max(comb.width, comb.height);
        for (const [i, j] of [
          [1, 0],
          [0, 1],
          [1, -1],
        ] as const)
          expect(Math.hypot(i * a.x + j * b.x, i * a.y + j * b.y)).toBeCloseTo(side, 6);
        const corners = hexagonOf(comb);
        const middle = { x: comb.width / 2, y: comb.height / 2 };
        for (const corner of corners) {
          // A corner belongs to three hexagons: it is as far from its own middle as from two others.
          const from = [
            [0, 0],
            [1, 0],
            [0, 1],
            [1, -1],
            [-1, 0],
            [0, -1],
            [-1, 1],
          ]
            .map(([i, j]) =>
              Math.hypot(
                corner.x - middle.x - (i as number) * a.x - (j as number) * b.x,
                corner.y - middle.y - (i as number) * a.y - (j as number) * b.y,
              ),
            )
            .sort((p, q) => p - q);
          expect((from[2] as number) - (from[0] as number)).toBeLessThan(1e-9 * side);
        }
      }),
    );
    expect(honeycombOf({ width: 100, height: 80, step: step('brick', 1, 3) })).toMatchObject({
      width: 100,
      height: 100 * HEXAGON,
      step: { kind: 'brick', drop: { p: 1, q: 2 }, honeycomb: true },
    });
    expect(honeycombOf({ width: 100, height: 80, step: step('square') })).toMatchObject({
      width: 80 * HEXAGON,
      height: 80,
    });
  });
});
