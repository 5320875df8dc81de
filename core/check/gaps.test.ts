import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Placement } from '../document/index.ts';
import { invert, largestStretch, type Matrix, poseMatrix, transform, UPRIGHT } from '../geometry/index.ts';
import { latticeOf, SQUARE } from '../lattice/index.ts';
import type { Silhouette } from '../motif/index.ts';
import { seeded } from '../random/index.ts';
import { anyStep, leafAt } from '../testing/arbitraries.ts';
import { findGaps } from './gaps.ts';
import { distanceFrom, outlineOf } from './outline.ts';
import { DISC, DISC_MOTIF, OUTLINES, discs, instances, anyDiscs } from '../testing/checkFixtures.ts';

const OUTLINE = outlineOf(DISC, DISC_MOTIF);

/** Some discs run together, 20 mm across in all. */
function ragged(seed: number): Silhouette {
  const random = seeded(seed);
  const discs = Array.from({ length: 5 }, () => ({
    x: 30 + 100 * random(),
    y: 30 + 100 * random(),
    r: 5 + 25 * random(),
  }));
  return {
    ...DISC,
    solid: DISC.solid.map((_one, at) =>
      discs.some(({ x, y, r }) => Math.hypot((at % 160) - x, Math.floor(at / 160) - y) < r) ? 1 : 0,
    ),
  };
}

describe('an outline', () => {
  it('tells how far a point is from what is drawn, within and without', () => {
    for (let at = 0; at < 24; at += 0.37) {
      for (const angle of [0, 0.4, 1.1, 2.5, 4])
        expect(Math.abs(distanceFrom(OUTLINE, at * Math.cos(angle), at * Math.sin(angle)) - (at - 10))).toBeLessThan(
          at < 13 ? 0.15 : 2,
        );
    }
    expect(Math.abs(OUTLINE.reach - 10)).toBeLessThan(0.15);
  });
});

describe('gaps', () => {
  it('are those that looking at every instance finds, over joins and in every step', () => {
    fc.assert(
      fc.property(
        anyStep.filter(({ drop }) => drop.q <= 4),
        anyDiscs,
        (kind, places) => {
          const lattice = latticeOf({ width: 130, height: 110, step: kind });
          const placements = discs(places);
          const gaps = findGaps(lattice, placements, OUTLINES, 9);
          const shown = instances(lattice, placements);
          for (const [n, one] of placements.entries()) {
            // Discs are apart by their middles less their radii.
            const truth = shown
              .filter((other) => Number(other.id.slice(1)) !== n)
              .map((other) => ({
                id: other.id,
                mm: Math.hypot(one.x - other.x, one.y - other.y) - 10 * (one.scale + other.scale),
              }));
            const least = Math.min(...truth.map(({ mm }) => mm));
            const told = Math.min(
              9,
              ...gaps.filter(({ a, b }) => a !== b && (a === one.id || b === one.id)).map(({ mm }) => mm),
            );
            // Within a disc that lies in another, edges tell how deep the nearer of them is; only the sign is of use there.
            if (least < -2) expect(told).toBeLessThan(0);
            else expect(Math.abs(told - Math.min(9, least))).toBeLessThan(0.5);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('are the same as of all points of an edge, whatever the shape', () => {
    fc.assert(
      fc.property(
        fc.integer(),
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.oneof(fc.constant(1), fc.double({ min: 0.4, max: 2, noNaN: true })),
        fc.double({ min: -28, max: 28, noNaN: true }),
        fc.double({ min: -28, max: 28, noNaN: true }),
        (seed, rotation, stretch, x, y) => {
          const outline = outlineOf(ragged(seed), DISC_MOTIF);
          const [one, other] = [
            leafAt('a', { ...UPRIGHT, x: 100, y: 100 }),
            leafAt('b', { ...UPRIGHT, x: 100 + x, y: 100 + y, rotation, aspect: stretch, scale: 0.7 }),
          ] as const;
          const [gap] = findGaps(
            latticeOf({ width: 400, height: 400, step: SQUARE }),
            [one, other],
            new Map([['leaf', outline]]),
            12,
          );
          // From the smaller to the larger, point by point.
          const [from, to] = stretch * 0.7 <= 1 ? [other, one] : [one, other];
          const [matrix, back] = [poseMatrix(from), invert(poseMatrix(to)) as Matrix];
          const least = 1 / largestStretch(back);
          let mm = Infinity;
          for (let n = 0; n < outline.points.length; n += 2) {
            const p = transform(
              back,
              transform(matrix, { x: outline.points[n] as number, y: outline.points[n + 1] as number }),
            );
            mm = Math.min(
              mm,
              distanceFrom(outline, p.x, p.y) * least - outline.across / 2 / largestStretch(invert(matrix) as Matrix),
            );
          }
          if (gap) expect(gap.mm).toBeCloseTo(mm, 6);
          // One that is stretched is told rather too near, but not where its reach tells that it is far.
          else if (stretch === 1) expect(mm).toBeGreaterThanOrEqual(12);
        },
      ),
      { numRuns: 100 },
    );
  });

  it('from one to itself are told once, by its instances and reflections', () => {
    const [only] = discs([[5, 50, 1]]) as [Placement];
    const gaps = findGaps(latticeOf({ width: 24, height: 200, step: SQUARE }), [only], OUTLINES, 9);
    expect(gaps.map(({ a, b, mm }) => [a, b, Math.round(mm)])).toEqual([['d0', 'd0', 4]]);
    const mirrored = findGaps(
      latticeOf({ width: 100, height: 200, step: { ...SQUARE, mirrored: 'columns' } }),
      [{ ...only, x: 12 }],
      OUTLINES,
      9,
    );
    expect(mirrored.map(({ mm }) => Math.round(mm))).toEqual([4]);
    expect(mirrored[0]?.at.x).toBeCloseTo(2, 0);
  });
});
