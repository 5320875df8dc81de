import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Design, shownBy } from '../../core/document/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import {
  applyOpToPoint,
  latticeOf,
  pixelGrid,
  type PixelGrid,
  type Step,
  symmetryOpsOf,
  toFundamentalDomain,
} from '../../core/lattice/index.ts';
import { anyDesign, MIRRORED_STEPS, repeatsOf, ROTATED_STEPS } from '../../core/testing/arbitraries.ts';
import { FLAT, painted } from '../testing/paintedPlane.ts';

/** Of the sixty-degree groups the pixels of an image lie between those of the motif. */
const isOfQuarters = (step: Step): boolean =>
  symmetryOpsOf({ width: 1, height: 1, step }).every(({ rotation }) => rotation % 90 === 0);
const SIMPLE_STEPS = [...MIRRORED_STEPS, ...ROTATED_STEPS].filter(({ drop }) => drop.q <= 2);

/** Designs of one leaf that lies on no axis or centre, where it would be shown once. */
function designsOf(steps: readonly Step[], from: number, to: number): fc.Arbitrary<Design> {
  const side = fc.integer({ min: from, max: to });
  return anyDesign(repeatsOf(side, side, fc.constantFrom(...steps)), 1)
    .map((start) => ({
      ...start,
      // Of one colour: where a motif lies over its reflection, the images lie in the order of the images.
      placements: start.placements.map((placement) => ({
        ...placement,
        opacity: 1,
        blend: 'normal' as const,
        scale: placement.scale / 3,
      })),
    }))
    .filter(({ repeat, placements }) => {
      const lattice = latticeOf(repeat);
      return shownBy(lattice, placements).length === lattice.ops.length * placements.length;
    });
}

/** The domain's pixels, RGBA, and the colour at a place between them, on the endless plane. */
function planeOf(design: Design, grid: PixelGrid) {
  const { width, height } = grid.lattice.domain;
  const pixels = painted(design, grid, { left: 0, top: 0, right: width, bottom: height }, {}, FLAT);
  /** Where the pixel's red is, on the endless plane. */
  const at = (x: number, y: number): number => {
    const home = toFundamentalDomain(grid.lattice, { x, y });
    return (home.y * width + home.x) * 4;
  };
  /** The most that a channel there differs from the pixel at `own`, taken between the four pixels around it. */
  const differenceAt = ({ x, y }: Point, own: number): number => {
    const [left, top] = [Math.floor(x - 0.5), Math.floor(y - 0.5)];
    const [u, v] = [x - 0.5 - left, y - 0.5 - top];
    const around = [at(left, top), at(left + 1, top), at(left, top + 1), at(left + 1, top + 1)];
    const weights = [(1 - u) * (1 - v), u * (1 - v), (1 - u) * v, u * v];
    return Math.max(
      ...[0, 1, 2].map((c) =>
        Math.abs(
          (pixels[own + c] as number) -
            around.reduce((sum, from, n) => sum + (pixels[from + c] as number) * (weights[n] as number), 0),
        ),
      ),
    );
  };
  return { width, height, pixels, at, differenceAt };
}

describe('cells that are reflected and rotated', () => {
  it('are painted as their reflections and rotations, but for how the engine smooths an edge', () => {
    fc.assert(
      fc.property(designsOf(SIMPLE_STEPS.filter(isOfQuarters), 30, 70), (design) => {
        const grid = pixelGrid(design.repeat, 2);
        const { width, height, pixels, at } = planeOf(design, grid);
        for (const op of symmetryOpsOf({
          ...design.repeat,
          width: design.repeat.width * grid.scaleX,
          height: design.repeat.height * grid.scaleY,
        })) {
          let apart = 0;
          for (let row = 0; row < height; row += 1) {
            for (let column = 0; column < width; column += 1) {
              // The middle of a pixel goes to the middle of another.
              const there = applyOpToPoint(op, { x: column + 0.5, y: row + 0.5 });
              const [own, other] = [at(column, row), at(Math.round(there.x - 0.5), Math.round(there.y - 0.5))];
              for (let c = 0; c < 4; c += 1)
                apart += Math.abs((pixels[own + c] as number) - (pixels[other + c] as number));
            }
          }
          // 0.18 was the most in 3000 designs; a slip of one pixel is more in the first few.
          expect(apart / (width * height)).toBeLessThan(0.5);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('are painted as they are when turned by sixths, but for a hundredth of the pixels', () => {
    fc.assert(
      fc.property(
        designsOf(
          SIMPLE_STEPS.filter((step) => !isOfQuarters(step)),
          40,
          60,
        ),
        (design) => {
          const grid = pixelGrid(design.repeat, 3);
          const { width, height, at, differenceAt } = planeOf(design, grid);
          const { scaleX, scaleY } = grid;
          for (const op of symmetryOpsOf(design.repeat).slice(1)) {
            let differing = 0;
            for (let row = 0; row < height; row += 1) {
              for (let column = 0; column < width; column += 1) {
                const mm = applyOpToPoint(op, { x: (column + 0.5) / scaleX, y: (row + 0.5) / scaleY });
                const there = { x: mm.x * scaleX, y: mm.y * scaleY };
                if (differenceAt(there, at(column, row)) > 64) differing += 1;
              }
            }
            expect(differing / (width * height)).toBeLessThanOrEqual(0.01);
          }
        },
      ),
      { numRuns: 15 },
    );
  });
});
