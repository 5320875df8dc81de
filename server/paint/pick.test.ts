import { Picker } from '../../core/arrange/index.ts';
import { asDrawn, NO_GROUND } from '../../core/document/index.ts';
import { latticeOf, pixelGrid } from '../../core/lattice/index.ts';
import { silhouetteOf } from '../../core/motif/index.ts';
import { paintArtwork, paintPlane, sceneOf } from '../../core/paint/index.ts';
import { anyDesign, anyStep, repeatsOf, LEAF, LEAF_MOTIF, LEAF_MOTIFS } from '../../core/testing/arbitraries.ts';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { nodeBackend, nodeSurface, pixelsOf } from './nodeBackend.ts';

const backend = nodeBackend();

it('picks through the instances what the painter painted there', () => {
  const sheet = nodeSurface(160, 248);
  paintArtwork(sheet.context, LEAF.nodes, [4, 0, 0, 4, 0, 4], { backend, resolve: asDrawn, width: 160, height: 248 });
  const motifs = new Map([['leaf', { motif: LEAF_MOTIF.motif, silhouette: silhouetteOf(pixelsOf(sheet), 160, 248) }]]);
  const repeat = repeatsOf(
    fc.constantFrom(60, 80),
    fc.constantFrom(50, 90),
    anyStep.filter(({ drop }) => drop.q <= 3),
  );
  fc.assert(
    fc.property(anyDesign(repeat, 4), (design) => {
      const bare = {
        ...design,
        ground: NO_GROUND,
        placements: design.placements.map((placement) => ({ ...placement, opacity: 1, scale: placement.scale / 2 })),
      };
      const grid = pixelGrid(design.repeat, 2);
      const window = { left: -100, top: -60, right: 100, bottom: 60 };
      const plane = nodeSurface(200, 120);
      paintPlane(plane.context, { scene: sceneOf(bare, LEAF_MOTIFS), grid, window }, backend);
      const pixels = pixelsOf(plane);
      const picker = new Picker(bare.placements, motifs, latticeOf(bare.repeat));
      let wrong = 0;
      for (let y = 3; y < 120; y += 7) {
        for (let x = 3; x < 200; x += 7) {
          const at = { x: (x + 0.5 + window.left) / grid.scaleX, y: (y + 0.5 + window.top) / grid.scaleY };
          const hit = picker.at(at, 0.01).length > 0;
          const alpha = pixels[(y * 200 + x) * 4 + 3] as number;
          // Along an outline the raster may differ by its own coarseness; well inside and well outside it may not.
          const around = [-2, 2].flatMap((d) => [
            pixels[(y * 200 + x + d) * 4 + 3] ?? alpha,
            pixels[((y + d) * 200 + x) * 4 + 3] ?? alpha,
          ]);
          if (around.every((value) => value > 250) && alpha > 250 && !hit) wrong += 1;
          if (around.every((value) => value === 0) && alpha === 0 && hit) wrong += 1;
        }
      }
      expect(wrong).toBe(0);
    }),
    { numRuns: 40 },
  );
});
