import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, inverse } from '../document/command.ts';
import { cornersAround, type Placement } from '../document/placement.ts';
import { latticeOf, nearestDifference } from '../repeat/lattice.ts';
import { anyDesign, anyPlacementFields, anyPoint, anyRepeat, leafAt, LEAF_RECORD } from '../testing/arbitraries.ts';
import { copiesOf, layCopies, NO_VARIATION } from './copies.ts';

let next = 0;
const newId = (): string => `copy-${(next += 1)}`;
const anyLeaf = anyPlacementFields.map((fields) => leafAt('a', fields));
const count = fc.integer({ min: 1, max: 12 });

describe('copies', () => {
  it('along a line are each so far from the last', () => {
    fc.assert(
      fc.property(anyLeaf, count, anyPoint, (one, n, by) => {
        const copies = copiesOf([one], { kind: 'line', count: n, by }, NO_VARIATION, newId);
        expect(copies).toHaveLength(n - 1);
        copies.forEach((copy, k) => {
          expect(copy.x).toBeCloseTo(one.x + (k + 1) * by.x, 9);
          expect(copy.y).toBeCloseTo(one.y + (k + 1) * by.y, 9);
        });
      }),
    );
  });

  it('in a grid fill its columns and rows once each', () => {
    const copies = copiesOf([leafAt('a', { x: 1, y: 2 })], { kind: 'grid', columns: 3, rows: 2, by: { x: 10, y: 20 } }, NO_VARIATION, newId);
    expect(copies.map(({ x, y }) => [x, y])).toEqual([[11, 2], [21, 2], [1, 22], [11, 22], [21, 22]]);
  });

  it('around a centre are all as far from it, evenly, and come back to the first', () => {
    fc.assert(
      fc.property(anyLeaf, fc.integer({ min: 2, max: 12 }), anyPoint, fc.boolean(), (one, n, centre, turning) => {
        const ring = { kind: 'ring' as const, count: n, centre, sweep: 360, turning, mirrored: false };
        const all = [one, ...copiesOf([one], ring, NO_VARIATION, newId)];
        const radius = Math.hypot(one.x - centre.x, one.y - centre.y);
        const chord = 2 * radius * Math.sin(Math.PI / n);
        all.forEach((copy, k) => {
          const after = all[(k + 1) % n] as Placement;
          expect(Math.abs(Math.hypot(copy.x - centre.x, copy.y - centre.y) - radius)).toBeLessThan(1e-9 * (1 + radius));
          expect(Math.abs(Math.hypot(copy.x - after.x, copy.y - after.y) - chord)).toBeLessThan(1e-8 * (1 + radius));
          expect(Math.cos(((copy.turn - one.turn - (turning ? (360 * k) / n : 0)) * Math.PI) / 180)).toBeCloseTo(1, 9);
        });
      }),
    );
  });

  it('mirrored every other one are mirror images across the arm from the centre', () => {
    fc.assert(
      fc.property(anyLeaf, anyPoint, (one, centre) => {
        fc.pre(Math.hypot(one.x - centre.x, one.y - centre.y) > 1);
        const ring = { kind: 'ring' as const, count: 4, centre, sweep: 360, turning: true, mirrored: true };
        const [copy] = copiesOf([one], ring, NO_VARIATION, newId) as [Placement];
        const [plain] = copiesOf([one], { ...ring, mirrored: false }, NO_VARIATION, newId) as [Placement];
        const arm = Math.atan2(plain.y - centre.y, plain.x - centre.x);
        const [ux, uy] = [Math.cos(arm), Math.sin(arm)];
        const corners = cornersAround(copy, LEAF_RECORD);
        for (const { x, y } of cornersAround(plain, LEAF_RECORD)) {
          const along = x * ux + y * uy;
          const off = -x * uy + y * ux;
          const image = { x: along * ux + off * uy, y: along * uy - off * ux };
          expect(Math.min(...corners.map((one) => Math.hypot(one.x - image.x, one.y - image.y)))).toBeLessThan(1e-8);
        }
      }),
    );
  });

  it('vary within what is allowed, the same for the same seed', () => {
    const plan = { kind: 'line' as const, count: 60, by: { x: 5, y: 0 } };
    const varied = copiesOf([leafAt('a', {})], plan, { size: 0.25, turn: 30, seed: 9 }, () => 'x');
    expect(varied).toEqual(copiesOf([leafAt('a', {})], plan, { size: 0.25, turn: 30, seed: 9 }, () => 'x'));
    expect(varied.every(({ scale, turn }) => scale >= 0.75 && scale <= 1.25 && Math.abs(turn) <= 30)).toBe(true);
    expect(new Set(varied.map(({ scale }) => scale)).size).toBeGreaterThan(50);
  });

  it('lie directly above their originals, in the cell, and are undone exactly', () => {
    fc.assert(
      fc.property(anyDesign(anyRepeat, 6), count, anyPoint, (start, n, by) => {
        fc.pre(start.placements.length > 1);
        const design = apply(start, { type: 'repeat', repeat: start.repeat });
        const ids = design.placements.slice(0, 2).map(({ id }) => id);
        const copies = copiesOf(design.placements.slice(0, 2), { kind: 'line', count: n, by }, NO_VARIATION, newId);
        const command = layCopies(design, ids, copies);
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
});
