import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  asDrawn,
  type Design,
  newDesign,
  newLayer,
  NO_GROUND,
  shapeMatrix,
  sortByLayer,
} from '../../core/document/index.ts';
import { compose, scalingMatrix, translationMatrix } from '../../core/geometry/index.ts';
import { latticeTranslate, pixelGrid, step } from '../../core/lattice/index.ts';
import { copyPlaneRow } from '../../core/export/index.ts';
import { cellWindow, fillStrips, paintArtwork, paintPlane, sceneOf, SpriteCache } from '../../core/paint/index.ts';
import {
  anyDesign,
  anyPlacementFields,
  anyStep,
  repeatsOf,
  LEAF_MOTIF,
  LEAF_MOTIFS,
  leafAt,
} from '../../core/testing/arbitraries.ts';
import { FLAT, FLAT_LEAF, painted } from '../testing/paintedPlane.ts';
import { nodeBackend, nodeSurface, pixelsOf } from './nodeBackend.ts';

const backend = nodeBackend();

const smallRepeat = repeatsOf(
  fc.double({ min: 20, max: 70, noNaN: true }),
  fc.double({ min: 20, max: 70, noNaN: true }),
  anyStep.filter(({ drop }) => drop.q <= 5),
);

const anyScale = fc.double({ min: 0.6, max: 2.5, noNaN: true });

describe('the painter', () => {
  it('gives the same pixels for a window and the window shifted by any lattice vector', () => {
    fc.assert(
      fc.property(
        anyDesign(smallRepeat),
        anyScale,
        fc.record({ i: fc.integer({ min: -40, max: 40 }), j: fc.integer({ min: -40, max: 40 }) }),
        fc.record({ x: fc.integer({ min: -90, max: 90 }), y: fc.integer({ min: -90, max: 90 }) }),
        (design, scale, steps, at) => {
          const grid = pixelGrid(design.repeat, scale);
          const by = latticeTranslate(grid.lattice, steps);
          const window = { left: at.x, top: at.y, right: at.x + 80, bottom: at.y + 60 };
          const shifted = { left: at.x + by.x, top: at.y + by.y, right: at.x + by.x + 80, bottom: at.y + by.y + 60 };
          expect(Buffer.compare(painted(design, grid, window), painted(design, grid, shifted))).toBe(0);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('puts a motif exactly where its numbers say, as if it were drawn there by itself', () => {
    fc.assert(
      fc.property(anyPlacementFields, anyScale, (fields, scale) => {
        // Wide enough for the leaf at its largest and most slanted not to come round the edges.
        const repeat = { width: 411.3, height: 357.9, step: step('square') };
        const placement = { ...leafAt('a', fields), x: 200.37, y: 180.81, opacity: 1 };
        const design = { ...newDesign('d', 'One', repeat), ground: NO_GROUND, placements: [placement] };
        const grid = pixelGrid(repeat, scale);
        const window = cellWindow(grid);
        const alone = nodeSurface(window.right, window.bottom);
        const matrix = compose(
          scalingMatrix(grid.scaleX, grid.scaleY),
          compose(translationMatrix(placement.x, placement.y), shapeMatrix(placement, LEAF_MOTIF.motif)),
        );
        paintArtwork(alone.context, FLAT_LEAF.artwork.nodes, matrix, {
          backend,
          resolve: asDrawn,
          width: window.right,
          height: window.bottom,
        });
        const stamped = painted(design, grid, window, {}, FLAT);
        const drawn = Buffer.from(pixelsOf(alone).buffer);
        let apart = 0;
        let seen = 0;
        for (let i = 3; i < drawn.length; i += 4) {
          if (drawn[i] === 0 && stamped[i] === 0) continue;
          seen += 1;
          apart += Math.abs((stamped[i] as number) - (drawn[i] as number));
        }
        // The edges are as long as the root of the surface, roughly. Single precision may tip an edge over one of the
        // engine's samples, which was seen to come to 16 levels a pixel of edge at most; a slip of a tenth of a pixel
        // comes to 22 at least.
        expect(apart / Math.sqrt(seen)).toBeLessThan(20);
      }),
      { numRuns: 40 },
    );
  });

  it('paints a plane that its tile, laid square, equals to the bit', () => {
    fc.assert(
      fc.property(anyDesign(smallRepeat), anyScale, (design, scale) => {
        const grid = pixelGrid(design.repeat, scale);
        const cell = painted(design, grid, cellWindow(grid));
        const { width, height } = grid.tile;
        const unit = Buffer.alloc(width * height * 4);
        for (let y = 0; y < height; y += 1)
          copyPlaneRow(cell, grid, 4, { y, left: 0, right: width }, unit, y * width * 4);
        const plane = painted(design, grid, { left: -7, top: -5, right: 2 * width - 7, bottom: 2 * height - 5 });
        for (let y = 0; y < 2 * height; y += 1) {
          const from = ((y - 5 + height) % height) * width * 4;
          const unitRow = unit.subarray(from, from + width * 4);
          const laid = Buffer.concat([
            unitRow.subarray((width - 7) * 4),
            unitRow,
            unitRow.subarray(0, (width - 7) * 4),
          ]);
          const row = plane.subarray(y * width * 8, (y + 1) * width * 8);
          expect(Buffer.compare(laid, row)).toBe(0);
          const copied = Buffer.alloc(row.length);
          copyPlaneRow(cell, grid, 4, { y: y - 5, left: -7, right: 2 * width - 7 }, copied, 0);
          expect(Buffer.compare(copied, row)).toBe(0);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('covers a window with strips of the cell that show exactly the plane', () => {
    fc.assert(
      fc.property(
        anyDesign(smallRepeat, 3),
        anyScale,
        fc.integer({ min: -300, max: 300 }),
        fc.integer({ min: -300, max: 300 }),
        (design, scale, x, y) => {
          const grid = pixelGrid(design.repeat, scale);
          const window = { left: x, top: y, right: x + 150, bottom: y + 110 };
          const cell = painted(design, grid, cellWindow(grid));
          const plane = painted(design, grid, window);
          const { width, height } = grid.cell;
          let covered = 0;
          for (const strip of fillStrips(grid, window)) {
            covered += strip.width * strip.height;
            for (let py = strip.y; py < strip.y + strip.height; py += 1) {
              for (let px = strip.x; px < strip.x + strip.width; px += 1) {
                const cx = (((px - strip.originX) % width) + width) % width;
                const cy = (((py - strip.originY) % height) + height) % height;
                for (let c = 0; c < 4; c += 1) {
                  if (cell[(cy * width + cx) * 4 + c] !== plane[(py * 150 + px) * 4 + c])
                    throw new Error(`differs at ${px}, ${py}`);
                }
              }
            }
          }
          expect(covered).toBe(150 * 110);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('splits into what lies below and what lies above without a difference', () => {
    fc.assert(
      fc.property(anyDesign(smallRepeat), anyScale, (blended, scale) => {
        // What blends has to know what lies under it, so the cloth is not split there.
        const design = {
          ...blended,
          placements: blended.placements.map((placement) => ({ ...placement, blend: 'normal' as const })),
        };
        const grid = pixelGrid(design.repeat, scale);
        const window = cellWindow(grid);
        const half = Math.floor(design.placements.length / 2);
        const ids = design.placements.map(({ id }) => id);
        const scene = sceneOf(design, LEAF_MOTIFS);
        const below = nodeSurface(window.right, window.bottom);
        const above = nodeSurface(window.right, window.bottom);
        paintPlane(below.context, { scene, grid, window }, backend, { only: new Set(ids.slice(0, half)) });
        paintPlane(above.context, { scene, grid, window }, backend, { only: new Set(ids.slice(half)), bare: true });
        backend.drawPixels(below.context, above.pixels, { x: 0, y: 0, width: window.right, height: window.bottom });
        const whole = painted(design, grid, window);
        const both = Buffer.from(pixelsOf(below).buffer);
        // Laying in two goes rounds partly covered pixels once more, and once for each of the instances that lie in a heap.
        expect(whole.every((value, i) => Math.abs(value - (both[i] as number)) <= 8)).toBe(true);
      }),
      { numRuns: 40 },
    );
  });

  it('paints nothing of what is hidden, and lays a layer that is seen through down as one', () => {
    fc.assert(
      fc.property(anyDesign(smallRepeat), anyScale, fc.constantFrom(0, 0.25, 0.5, 1), (start, scale, opacity) => {
        const layers = [
          newLayer('main', 'Motifs'),
          { ...newLayer('over', 'Over'), opacity },
          { ...newLayer('away', 'Away'), shown: false },
        ];
        const place = (n: number): string => layers[n % 3]?.id ?? '';
        const flat = start.placements.map((placement, n) => ({
          ...placement,
          layer: place(n),
          blend: 'normal' as const,
        }));
        const design = { ...start, layers, placements: sortByLayer(layers, flat) };
        const grid = pixelGrid(design.repeat, scale);
        const window = cellWindow(grid);
        const only = (layer: string): ReadonlySet<string> =>
          new Set(flat.filter((one) => one.layer === layer).map(({ id }) => id));
        const open = sceneOf(
          { ...design, layers: layers.map((layer) => ({ ...layer, shown: true, opacity: 1 })) },
          LEAF_MOTIFS,
        );
        const [below, over] = [nodeSurface(window.right, window.bottom), nodeSurface(window.right, window.bottom)];
        paintPlane(below.context, { scene: open, grid, window }, backend, { only: only('main') });
        paintPlane(over.context, { scene: open, grid, window }, backend, { only: only('over'), bare: true });
        below.context.globalAlpha = opacity;
        backend.drawPixels(below.context, over.pixels, { x: 0, y: 0, width: window.right, height: window.bottom });
        const whole = painted(design, grid, window);
        const apart = Buffer.from(pixelsOf(below).buffer);
        // A layer at full strength is not painted apart, which rounds half-covered pixels once less.
        expect(whole.every((value, i) => Math.abs(value - (apart[i] as number)) <= (opacity === 1 ? 8 : 0))).toBe(true);
      }),
      { numRuns: 40 },
    );
  });

  it('gives the same pixels with sprites kept from before, however few are kept', () => {
    fc.assert(
      fc.property(
        anyDesign(smallRepeat),
        anyDesign(smallRepeat),
        anyScale,
        fc.constantFrom(1, 500, 1 << 20),
        (before, design, scale, limit) => {
          const sprites = new SpriteCache(backend, limit);
          painted(before, pixelGrid(before.repeat, scale), { left: 0, top: 0, right: 90, bottom: 90 }, { sprites });
          const grid = pixelGrid(design.repeat, scale);
          const recoloured: Design = {
            ...design,
            inks: [...design.inks, { id: 'red', name: 'Red', prints: ['#3e7a5e'] }],
            colourways: [{ id: 'base', name: 'Base', colours: { ground: '#ffffff', red: '#b3402e' } }],
          };
          for (const one of [design, recoloured, design]) {
            const window = { left: -20, top: -20, right: 90, bottom: 90 };
            expect(painted(one, grid, window, { sprites }).equals(painted(one, grid, window))).toBe(true);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('leaves a ground of none transparent', () => {
    fc.assert(
      fc.property(anyDesign(smallRepeat, 0), (design) => {
        const grid = pixelGrid(design.repeat, 1);
        expect(painted({ ...design, ground: NO_GROUND }, grid, cellWindow(grid)).every((value) => value === 0)).toBe(
          true,
        );
      }),
      { numRuns: 40 },
    );
  });
});
