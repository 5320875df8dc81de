import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Design, newDesign } from '../../core/document/index.ts';
import { pixelGrid, SQUARE } from '../../core/lattice/index.ts';
import { type Artwork, drawnById } from '../../core/motif/index.ts';
import { measureShares } from '../../core/separate/index.ts';
import { LEAF_RECORD, leafAt } from '../../core/testing/arbitraries.ts';
import { nodeBackend } from './nodeBackend.ts';

const CELL = 40;
const SIDE = 20;

/** The outline of a square of 20 mm, as a motif of 24. */
const outline = (width: number): Artwork => ({
  version: 1,
  view: { x: 0, y: 0, width: 24, height: 24 },
  nodes: [
    {
      kind: 'path',
      path: 'M 2 2 L 22 2 L 22 22 L 2 22 Z',
      rule: 'nonzero',
      stroke: {
        paint: { kind: 'ink', ink: '#1f2430', opacity: 1 },
        width,
        cap: 'butt',
        join: 'miter',
        miterLimit: 4,
        dash: [],
        dashOffset: 0,
      },
    },
  ],
});

describe('the share of an ink', () => {
  it('is the area that it covers, be it thinner than a pixel, half transparent, or at an angle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 90, noNaN: true }),
        (width, opacity, rotation) => {
          const artwork = outline(width);
          const motif = { ...LEAF_RECORD, width: 24, view: artwork.view, inks: ['#1f2430' as const] };
          const design: Design = {
            ...newDesign('d', 'Plates', { width: CELL, height: CELL, step: SQUARE }),
            ground: { kind: 'flat', ink: 'ground' },
            inks: [
              { id: 'ground', name: 'Ground', prints: [] },
              { id: 'line', name: 'Line', prints: ['#1f2430'] },
            ],
            colourways: [{ id: 'base', name: 'Base', colours: { ground: '#f4ead2', line: '#d04030' } }],
            placements: [leafAt('a', { x: 20, y: 20, rotation, opacity })],
          };
          const grid = pixelGrid(design.repeat, 2);
          const shares = measureShares({
            design,
            motifs: drawnById([{ motif, artwork }]),
            colourway: undefined,
            grid,
            window: { left: 0, top: 0, right: grid.tile.width, bottom: grid.tile.height },
            backend: nodeBackend(),
          });
          const covered = (opacity * 4 * SIDE * width) / CELL ** 2;
          // Shades are counted in 255 steps.
          expect(Math.abs((shares.inks[1] as number) - covered)).toBeLessThan(0.03 * covered + 0.001);
          expect(shares.inks[0]).toBeCloseTo(1 - covered, 2);
          expect(shares.pictures).toBe(0);
          expect(shares.covered).toBe(1);
        },
      ),
      { numRuns: 25 },
    );
  });
});
