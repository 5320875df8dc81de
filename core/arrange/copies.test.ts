import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, cornersAround, inverse, type Placement } from '../document/index.ts';
import { smoothPolyline } from '../geometry/index.ts';
import { latticeOf, nearestDifference } from '../lattice/index.ts';
import { anyDesign, anyPlacementFields, anyPoint, anyRepeat, LEAF_RECORD, leafAt } from '../testing/arbitraries.ts';
import { insertCopies, makeCopies, NO_VARIATION, spreadOver } from './copies.ts';

let next = 0;
const newId = (): string => `copy-${(next += 1)}`;
const anyLeaf = anyPlacementFields.map((fields) => leafAt('a', fields));
const count = fc.integer({ min: 1, max: 12 });

describe('copies', () => {
  it('along a line are each so far from the last', () => {
    fc.assert(
      fc.property(anyLeaf, count, anyPoint, (placement, n, by) => {
        const copies = makeCopies([placement], { kind: 'line', count: n, by }, NO_VARIATION, newId);
        expect(copies).toHaveLength(n - 1);
        copies.forEach((copy, k) => {
          expect(copy.x).toBeCloseTo(placement.x + (k + 1) * by.x, 9);
          expect(copy.y).toBeCloseTo(placement.y + (k + 1) * by.y, 9);
        });
      }),
    );
  });

  it('spread over a cell are evenly apart, from one cell to the next too', () => {
    fc.assert(
      fc.property(anyLeaf, count, count, anyRepeat, (placement, columns, rows, repeat) => {
        const plan = spreadOver(repeat, { kind: 'grid', columns, rows, by: { x: 1, y: 1 } });
        const all = [placement, ...makeCopies([placement], plan, NO_VARIATION, newId)];
        const inRow = [...all.slice(0, columns).map(({ x }) => x), placement.x + repeat.width];
        const inColumn = [...all.filter((_, n) => n % columns === 0).map(({ y }) => y), placement.y + repeat.height];
        for (const [places, gap] of [
          [inRow, repeat.width / columns],
          [inColumn, repeat.height / rows],
        ] as const)
          places.slice(1).forEach((at, n) => expect(at - (places[n] as number)).toBeCloseTo(gap, 9));
      }),
    );
  });

  it('in a grid fill its columns and rows once each', () => {
    const copies = makeCopies(
      [leafAt('a', { x: 1, y: 2 })],
      { kind: 'grid', columns: 3, rows: 2, by: { x: 10, y: 20 } },
      NO_VARIATION,
      newId,
    );
    expect(copies.map(({ x, y }) => [x, y])).toEqual([
      [11, 2],
      [21, 2],
      [1, 22],
      [11, 22],
      [21, 22],
    ]);
  });

  it('around a centre are all as far from it, evenly, and come back to the first', () => {
    fc.assert(
      fc.property(anyLeaf, fc.integer({ min: 2, max: 12 }), anyPoint, fc.boolean(), (placement, n, centre, turning) => {
        const ring = { kind: 'ring' as const, count: n, centre, sweep: 360, turning, flipped: false };
        const all = [placement, ...makeCopies([placement], ring, NO_VARIATION, newId)];
        const radius = Math.hypot(placement.x - centre.x, placement.y - centre.y);
        const chord = 2 * radius * Math.sin(Math.PI / n);
        all.forEach((copy, k) => {
          const after = all[(k + 1) % n] as Placement;
          expect(Math.abs(Math.hypot(copy.x - centre.x, copy.y - centre.y) - radius)).toBeLessThan(1e-9 * (1 + radius));
          expect(Math.abs(Math.hypot(copy.x - after.x, copy.y - after.y) - chord)).toBeLessThan(1e-8 * (1 + radius));
          expect(
            Math.cos(((copy.rotation - placement.rotation - (turning ? (360 * k) / n : 0)) * Math.PI) / 180),
          ).toBeCloseTo(1, 9);
        });
      }),
    );
  });

  it('mirrored every other one are mirror images across the arm from the centre', () => {
    fc.assert(
      fc.property(anyLeaf, anyPoint, (placement, centre) => {
        fc.pre(Math.hypot(placement.x - centre.x, placement.y - centre.y) > 1);
        const ring = { kind: 'ring' as const, count: 4, centre, sweep: 360, turning: true, flipped: true };
        const [copy] = makeCopies([placement], ring, NO_VARIATION, newId) as [Placement];
        const [plain] = makeCopies([placement], { ...ring, flipped: false }, NO_VARIATION, newId) as [Placement];
        const arm = Math.atan2(plain.y - centre.y, plain.x - centre.x);
        const [ux, uy] = [Math.cos(arm), Math.sin(arm)];
        const corners = cornersAround(copy, LEAF_RECORD);
        for (const { x, y } of cornersAround(plain, LEAF_RECORD)) {
          const along = x * ux + y * uy;
          const off = -x * uy + y * ux;
          const image = { x: along * ux + off * uy, y: along * uy - off * ux };
          expect(Math.min(...corners.map((point) => Math.hypot(point.x - image.x, point.y - image.y)))).toBeLessThan(
            1e-8,
          );
        }
      }),
    );
  });

  it('vary within what is allowed, the same for the same seed', () => {
    const plan = { kind: 'line' as const, count: 60, by: { x: 5, y: 0 } };
    const varied = makeCopies([leafAt('a', {})], plan, { size: 0.25, rotation: 30, seed: 9 }, () => 'x');
    expect(varied).toEqual(makeCopies([leafAt('a', {})], plan, { size: 0.25, rotation: 30, seed: 9 }, () => 'x'));
    expect(varied.every(({ scale, rotation }) => scale >= 0.75 && scale <= 1.25 && Math.abs(rotation) <= 30)).toBe(
      true,
    );
    expect(new Set(varied.map(({ scale }) => scale)).size).toBeGreaterThan(50);
  });

  it('lie directly above their originals, in the cell, and are undone exactly', () => {
    fc.assert(
      fc.property(anyDesign(anyRepeat, 6), count, anyPoint, (start, n, by) => {
        fc.pre(start.placements.length > 1);
        const design = apply(start, { type: 'repeat', repeat: start.repeat });
        const ids = design.placements.slice(0, 2).map(({ id }) => id);
        const copies = makeCopies(design.placements.slice(0, 2), { kind: 'line', count: n, by }, NO_VARIATION, newId);
        const command = insertCopies(design, ids, copies);
        const after = apply(design, command);
        expect(after.placements.slice(2, 2 + copies.length).map(({ id }) => id)).toEqual(copies.map(({ id }) => id));
        const lattice = latticeOf(design.repeat);
        copies.forEach((copy, k) => {
          const off = nearestDifference(lattice, after.placements[2 + k] as Placement, copy);
          expect(Math.hypot(off.x, off.y)).toBeLessThan(1e-8);
        });
        expect(apply(after, inverse(design, command))).toEqual(design);
      }),
    );
  });

  it('lie along a drawn line at even distances, the last at its end, turning as it turns', () => {
    const quarter = Array.from({ length: 91 }, (_, n) => ({
      x: 50 * Math.sin((n * Math.PI) / 180),
      y: 50 - 50 * Math.cos((n * Math.PI) / 180),
    }));
    const original = leafAt('o', { x: 7, y: 9, rotation: 12 });
    const copies = makeCopies(
      [original],
      { kind: 'path', count: 7, path: quarter, turning: true },
      NO_VARIATION,
      (n) => `c${n}`,
    );
    expect(copies).toHaveLength(6);
    copies.forEach((copy, n) => {
      const angle = ((n + 1) * 15 * Math.PI) / 180;
      expect(copy.x).toBeCloseTo(7 + 50 * Math.sin(angle), 1);
      expect(copy.y).toBeCloseTo(9 + 50 - 50 * Math.cos(angle), 1);
    });
    expect(copies[5]).toMatchObject({ x: 57, y: 59 });
    // From the direction of the first step to that along the line here: the middle one has turned by 45° less half a step's.
    expect(copies[2]?.rotation).toBeCloseTo(12 + 45 - 7.5, 0);
    expect(
      makeCopies([original], { kind: 'path', count: 7, path: quarter, turning: false }, NO_VARIATION, String).every(
        ({ rotation }) => rotation === 12,
      ),
    ).toBe(true);
  });

  it('drawn by hand lie on a steadied line, whose ends are kept', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ x: fc.integer({ min: 0, max: 200 }), y: fc.integer({ min: 0, max: 200 }) }), {
          minLength: 2,
          maxLength: 30,
        }),
        (line) => {
          fc.pre(line.some(({ x, y }) => x !== line[0]?.x || y !== line[0]?.y));
          const steady = smoothPolyline(line);
          expect(steady[0]).toEqual(line[0]);
          expect(
            Math.hypot(
              (steady.at(-1)?.x ?? 0) - (line.at(-1)?.x ?? 0),
              (steady.at(-1)?.y ?? 0) - (line.at(-1)?.y ?? 0),
            ),
          ).toBeLessThan(1e-9);
          const length = (points: typeof line): number =>
            points
              .slice(1)
              .reduce((sum, p, n) => sum + Math.hypot(p.x - (points[n]?.x ?? 0), p.y - (points[n]?.y ?? 0)), 0);
          expect(length(steady)).toBeLessThanOrEqual(length(line) + 1e-9);
        },
      ),
    );
    expect(() =>
      smoothPolyline([
        { x: 1, y: 1 },
        { x: 1, y: 1 },
      ]),
    ).toThrow(RangeError);
  });
});
