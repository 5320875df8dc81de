import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { latticeOf, step } from '../lattice/index.ts';
import { anyStep } from '../testing/arbitraries.ts';
import { findLanes } from './lanes.ts';
import { discs, drawn, instances, anyDiscs } from '../testing/checkFixtures.ts';

describe('lanes', () => {
  it('are found where they were left, with their width and angle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 80, noNaN: true }),
        (scale, at) => {
          // Discs every 20 mm, in rows 40 mm apart that a half-drop leaves alone: level lanes, and none upright.
          const repeat = { width: 80, height: 80, step: step('brick', 1, 2) };
          const placements = discs(
            [0, 20, 40, 60].flatMap(
              (x) =>
                [
                  [x, at, scale],
                  [x + 10, (at + 40) % 80, scale],
                ] as const,
            ),
          );
          const lanes = findLanes(drawn(repeat, placements), 3, 6);
          const level = lanes.filter(({ angle }) => angle === 0);
          expect(level).toHaveLength(2);
          for (const { width, at: middle } of level) {
            expect(width).toBeGreaterThan(40 - 20 * scale - 1.5);
            expect(width).toBeLessThanOrEqual(40 - 20 * scale + 1.3);
            const off = (((middle.y - at) % 40) + 40) % 40;
            expect(Math.abs(off - 20)).toBeLessThan(1);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it('run nowhere over what is drawn', () => {
    fc.assert(
      fc.property(
        anyStep.filter(({ drop }) => drop.q <= 4),
        anyDiscs,
        (kind, places) => {
          const repeat = { width: 130, height: 110, step: kind };
          const placements = discs(places);
          const shown = instances(latticeOf(repeat), placements, 8);
          for (const { angle, at, width } of findLanes(drawn(repeat, placements), 2, 6)) {
            const [nx, ny] = [-Math.sin((angle * Math.PI) / 180), Math.cos((angle * Math.PI) / 180)];
            for (const placement of shown)
              expect(Math.abs(nx * (placement.x - at.x) + ny * (placement.y - at.y))).toBeGreaterThan(
                width / 2 + 10 * placement.scale - 1,
              );
          }
        },
      ),
      { numRuns: 8 },
    );
  });

  it('are none where motifs close every way, and none where nothing lies', () => {
    const repeat = { width: 60, height: 60, step: step('half-drop') };
    const closed = discs([
      [10, 10, 1.05],
      [30, 22, 1.05],
      [50, 12, 1.05],
      [12, 38, 1.05],
      [33, 46, 1.05],
      [52, 36, 1.05],
    ]);
    expect(findLanes(drawn(repeat, closed), 1.5, 6)).toEqual([]);
    expect(findLanes(drawn(repeat, []), 1.5, 6)).toEqual([]);
  });
});
