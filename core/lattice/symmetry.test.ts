import { apply, type Command, inverse } from '../document/index.ts';
import { poseMatrix, transform } from '../geometry/index.ts';
import {
  anyDesign,
  anyPlacementFields,
  anyPoint,
  anyRepeat,
  anyStep,
  MIRRORED_STEPS,
  ROTATED_STEPS,
} from '../testing/arbitraries.ts';
import { edgeReflections } from './edgeReflections.ts';
import { HEXAGON, isHexagonal } from './hexagon.ts';
import { hexagonOf, honeycombOf } from './honeycomb.ts';
import { latticeDistance, latticeOf, nearestDifference, orbitDistance } from './lattice.ts';
import { pixelGrid } from './pixelFit.ts';
import { type Repeat, withStep } from './repeat.ts';
import { mirroredStep, planeGroupOf, rotatedStep, SQUARE, step, type Step } from './step.ts';
import { applyOpToPoint, applyOpToPose } from './symmetry.ts';
import { symmetryOpsOf } from './symmetryOps.ts';
import { tileOf } from './tile.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const anyMirrored = fc
  .tuple(anyRepeat, fc.constantFrom(...MIRRORED_STEPS, ...ROTATED_STEPS))
  .map(([repeat, step]) => withStep(repeat, step));

/** The plane group, by looking for mirrors and glides among all operations near the origin; of 1, 2 and 4 turns alone. */
function groupOf(repeat: Repeat): string {
  const { ops, a, b } = latticeOf(repeat);
  const size = Math.max(Math.hypot(a.x, a.y), Math.hypot(b.x, b.y));
  const isNone = (mm: number): boolean => Math.abs(mm) < 1e-9 * size;
  if (ops.some(({ rotation, reflected }) => rotation === 90 && !reflected)) return 'p4';
  const isTurned = ops.some(({ rotation, reflected }) => rotation === 180 && !reflected);
  /** Of reflections left to right, then top to bottom: where mirrors lie, and where glides do. */
  const axes = [0, 180].map((turn) => {
    const all = ops
      .filter(({ rotation, reflected }) => reflected && rotation === turn)
      .flatMap(({ matrix }) =>
        [-2, -1, 0, 1, 2].flatMap((i) =>
          [-2, -1, 0, 1, 2].map((j) => {
            const [x, y] = [matrix[4] + i * a.x + j * b.x, matrix[5] + i * a.y + j * b.y];
            return turn === 0 ? { at: x / 2, along: y } : { at: y / 2, along: x };
          }),
        ),
      );
    const mirrors = all.filter(({ along }) => isNone(along));
    const glides = all.filter(({ at }) => !mirrors.some((mirror) => isNone(mirror.at - at)));
    return { mirrors: mirrors.length > 0, glides: glides.length > 0, any: all.length > 0 };
  });
  const [first, second] = axes;
  if (!first?.any && !second?.any) return isTurned ? 'p2' : 'p1';
  const mirrored = axes.filter(({ mirrors }) => mirrors).length;
  const centred = axes.some(({ mirrors, glides }) => mirrors && glides);
  if (!isTurned) return mirrored === 0 ? 'pg' : centred ? 'cm' : 'pm';
  return mirrored === 0 ? 'pgg' : mirrored === 1 ? 'pmg' : centred ? 'cmm' : 'pmm';
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

  it('have mirrors, or glides, at the edges of the cell', () => {
    const edges = (next: Step): Record<string, boolean> =>
      Object.fromEntries(
        edgeReflections(latticeOf({ width: 60, height: 40, step: next })).map(({ edge, glides }) => [edge, glides]),
      );
    const mirrors = (...names: readonly string[]): Record<string, boolean> =>
      Object.fromEntries(names.map((name) => [name, false]));
    expect(edges(mirroredStep(SQUARE, 'both'))).toEqual(mirrors('left', 'right', 'top', 'bottom'));
    expect(edges(mirroredStep(SQUARE, 'chess-across'))).toEqual(mirrors('left', 'right'));
    expect(edges(mirroredStep(SQUARE, 'rows-turned'))).toEqual({
      ...mirrors('top', 'bottom'),
      left: true,
      right: true,
    });
    expect(edges(mirroredStep(SQUARE, 'glides'))).toEqual({});
    expect(edges(mirroredStep(step('half-drop'), 'columns'))).toEqual({ left: true, right: true });
    expect(edges(mirroredStep(step('half-drop'), 'both'))).toMatchObject(mirrors('left', 'top', 'bottom'));
    expect(edges(rotatedStep(SQUARE, 'quarter'))).toEqual({});
  });

  it('hold the cell once each: the domain is as large as all that they show of it', () => {
    fc.assert(
      fc.property(
        anyMirrored,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (repeat, u, v) => {
          const { ops, domain, cell } = latticeOf(repeat);
          expect(domain.width * domain.height).toBeCloseTo(ops.length * cell.width * cell.height, 6);
          // Any point is shown in one of the cells: an operation takes it into the first.
          const p = { x: u * domain.width, y: v * domain.height };
          const lattice = latticeOf(repeat);
          const inFirst = ops.some((op) => {
            const at = applyOpToPoint(op, p);
            return [-3, -2, -1, 0, 1, 2, 3].some((i) =>
              [-3, -2, -1, 0, 1, 2, 3].some((j) => {
                const x = at.x + i * lattice.a.x + j * lattice.b.x;
                const y = at.y + i * lattice.a.y + j * lattice.b.y;
                return x > -1e-9 && y > -1e-9 && x < cell.width + 1e-9 && y < cell.height + 1e-9;
              }),
            );
          });
          expect(inFirst).toBe(true);
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
          const isOnAxis =
            Math.abs(placement.x - from.cell.width) < 3e-9 || Math.abs(placement.y - from.cell.height) < 3e-9;
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
        expect(isHexagonal(comb)).toBe(true);
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
