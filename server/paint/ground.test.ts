import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Hex } from '../../core/colour/index.ts';
import { type Design, newDesign } from '../../core/document/index.ts';
import type { Box } from '../../core/geometry/index.ts';
import { latticeTranslate, pixelGrid, type PixelGrid } from '../../core/lattice/index.ts';
import { paintPlane, sceneOf, SpriteCache } from '../../core/paint/index.ts';
import { anyPlacementFields, anyStep, LEAF_MOTIFS, leafAt, repeatsOf } from '../../core/testing/arbitraries.ts';
import { patternedGrounds } from '../../core/testing/groundArbitraries.ts';
import { nodeBackend, nodeSurface, pixelsOf } from './nodeBackend.ts';

const backend = nodeBackend();
const COLOURS: Readonly<Record<string, Hex>> = { sand: '#e8dcc0', sea: '#1f5f7f', weed: '#3f5f2f' };
const size = fc.double({ min: 15, max: 50, noNaN: true });

const designs: fc.Arbitrary<Design> = fc
  .tuple(
    repeatsOf(
      size,
      size,
      anyStep.filter(({ drop }) => drop.q <= 5),
    ),
    patternedGrounds(Object.keys(COLOURS)),
    anyPlacementFields,
  )
  .map(([repeat, ground, fields]) => ({
    ...newDesign('d', 'Design', repeat),
    ground,
    inks: Object.keys(COLOURS).map((id) => ({ id, name: id, prints: [] })),
    colourways: [{ id: 'base', name: 'Base', colours: COLOURS }],
    placements: [leafAt('a', fields)],
  }));

function painted(design: Design, grid: PixelGrid, window: Box, sprites?: SpriteCache): Buffer {
  const sheet = nodeSurface(window.right - window.left, window.bottom - window.top);
  const scene = sceneOf(design, LEAF_MOTIFS);
  paintPlane(sheet.context, { scene, grid, window }, backend, sprites && { sprites });
  return Buffer.from(pixelsOf(sheet).buffer);
}

const moved = ({ left, top, right, bottom }: Box, { x, y }: { x: number; y: number }): Box => ({
  left: left + x,
  top: top + y,
  right: right + x,
  bottom: bottom + y,
});

describe('cloth on a patterned ground', () => {
  it('is the same to the bit wherever it is moved by a vector of the lattice, kept or painted anew', () => {
    fc.assert(
      fc.property(
        designs,
        fc.integer({ min: -2, max: 2 }),
        fc.integer({ min: -2, max: 2 }),
        fc.integer({ min: -60, max: 60 }),
        (design, i, j, left) => {
          const grid = pixelGrid(design.repeat, 1.5);
          const window = { left, top: -13, right: left + 90, bottom: 70 };
          const by = latticeTranslate(grid.lattice, { i, j });
          const here = painted(design, grid, window);
          expect(here.equals(painted(design, grid, moved(window, by)))).toBe(true);
          const sprites = new SpriteCache(backend);
          expect(here.equals(painted(design, grid, window, sprites))).toBe(true);
          expect(here.equals(painted(design, grid, moved(window, by), sprites))).toBe(true);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('computes nothing but colours anew when a colour changes', () => {
    const texture = { kind: 'texture', texture: 'linen', inks: ['sand'], scale: 1, strength: 0.6, seed: 4 } as const;
    const design = (sand: Hex): Design => ({
      ...newDesign('d', 'Design', { width: 40, height: 30, step: { kind: 'square', drop: { p: 0, q: 1 } } }),
      ground: texture,
      inks: [{ id: 'sand', name: 'Sand', prints: [] }],
      colourways: [{ id: 'base', name: 'Base', colours: { sand } }],
    });
    const grid = pixelGrid(design('#ffffff').repeat, 2);
    const window = { left: 0, top: 0, right: 80, bottom: 60 };
    const kept: string[] = [];
    class Watched extends SpriteCache {
      override keep(...[key, sheet, pixels]: Parameters<SpriteCache['keep']>): void {
        kept.push(key.split(' ')[0] as string);
        super.keep(key, sheet, pixels);
      }
    }
    const sprites = new Watched(backend);
    painted(design('#e8dcc0'), grid, window, sprites);
    expect(kept).toEqual(['texture', 'ground']);
    const second = painted(design('#1f5f7f'), grid, window, sprites);
    expect(kept).toEqual(['texture', 'ground', 'ground']);
    expect(second.equals(painted(design('#1f5f7f'), grid, window))).toBe(true);
  });
});
