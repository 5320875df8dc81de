import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, shapeMatrix } from '../document/index.ts';
import { transform } from '../geometry/index.ts';
import { latticeOf, latticeTranslate } from '../lattice/index.ts';
import { silhouetteOf } from '../motif/index.ts';
import { anyDesign, LEAF_RECORD, leafAt } from '../testing/arbitraries.ts';
import { selectInLasso } from './selectInLasso.ts';

const SIDE = 8;
const anyRaster = fc
  .array(fc.boolean(), { minLength: SIDE * SIDE, maxLength: SIDE * SIDE })
  .filter((set) => set.some(Boolean));
const loopOf = (left: number, top: number, right: number, bottom: number) => [
  { x: left, y: top },
  { x: right, y: top },
  { x: right, y: bottom },
  { x: left, y: bottom },
];

describe('what a loop encloses', () => {
  it('is what is drawn wholly within it, by any of its instances, as looking at every pixel says', () => {
    const real = fc.double({ min: -150, max: 400, noNaN: true });
    fc.assert(
      fc.property(
        anyDesign(
          fc.constantFrom(
            { width: 90, height: 70, step: { kind: 'half-drop' as const, drop: { p: 1, q: 2 } } },
            { width: 60, height: 120, step: { kind: 'brick' as const, drop: { p: 1, q: 3 } } },
          ),
          3,
        ),
        anyRaster,
        real,
        real,
        fc.double({ min: 5, max: 200, noNaN: true }),
        fc.double({ min: 5, max: 200, noNaN: true }),
        (start, raster, left, top, wide, high) => {
          const design = apply(start, { type: 'repeat', repeat: start.repeat });
          const lattice = latticeOf(design.repeat);
          const pixels = new Uint8ClampedArray(SIDE * SIDE * 4);
          raster.forEach((set, n) => (pixels[n * 4 + 3] = set ? 255 : 0));
          const motifs = new Map([['leaf', { motif: LEAF_RECORD, silhouette: silhouetteOf(pixels, SIDE, SIDE) }]]);
          const { view } = LEAF_RECORD;
          const brute = design.placements.filter((placement) => {
            const matrix = shapeMatrix(placement, LEAF_RECORD);
            const corners = raster.flatMap((set, n) =>
              set
                ? [
                    [0, 0],
                    [1, 0],
                    [0, 1],
                    [1, 1],
                  ].map(([dx, dy]) =>
                    transform(matrix, {
                      x: view.x + (((n % SIDE) + (dx as number)) / SIDE) * view.width,
                      y: view.y + ((Math.floor(n / SIDE) + (dy as number)) / SIDE) * view.height,
                    }),
                  )
                : [],
            );
            for (let i = -8; i <= 8; i += 1) {
              for (let j = -12; j <= 12; j += 1) {
                const by = latticeTranslate(lattice, { i, j });
                if (
                  corners.every(
                    ({ x, y }) =>
                      x + placement.x + by.x > left &&
                      x + placement.x + by.x < left + wide &&
                      y + placement.y + by.y > top &&
                      y + placement.y + by.y < top + high,
                  )
                )
                  return true;
              }
            }
            return false;
          });
          expect(
            selectInLasso(design.placements, motifs, lattice, loopOf(left, top, left + wide, top + high)).map(
              ({ id }) => id,
            ),
          ).toEqual(brute.map(({ id }) => id));
        },
      ),
      { numRuns: 150 },
    );
  });

  it('follows a loop that turns in on itself', () => {
    const lattice = latticeOf({ width: 900, height: 900, step: { kind: 'square', drop: { p: 0, q: 1 } } });
    const motifs = new Map([['leaf', { motif: LEAF_RECORD, silhouette: undefined }]]);
    const placements = [leafAt('in', { x: 100, y: 100, scale: 0.5 }), leafAt('notch', { x: 250, y: 100, scale: 0.5 })];
    // A horseshoe open to the top, round the second leaf.
    const loop = [
      { x: 50, y: 50 },
      { x: 180, y: 50 },
      { x: 180, y: 300 },
      { x: 320, y: 300 },
      { x: 320, y: 50 },
      { x: 400, y: 50 },
      { x: 400, y: 400 },
      { x: 50, y: 400 },
    ];
    expect(selectInLasso(placements, motifs, lattice, loop).map(({ id }) => id)).toEqual(['in']);
    expect(selectInLasso(placements, motifs, lattice, loop.slice(0, 2))).toEqual([]);
  });
});
