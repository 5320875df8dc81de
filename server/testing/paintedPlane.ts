import type { Design } from '../../core/document/index.ts';
import type { Box } from '../../core/geometry/index.ts';
import type { PixelGrid } from '../../core/lattice/index.ts';
import type { Artwork } from '../../core/motif/index.ts';
import { paintPlane, type PlaneOptions, sceneOf } from '../../core/paint/index.ts';
import { LEAF, LEAF_MOTIF, LEAF_MOTIFS } from '../../core/testing/arbitraries.ts';
import { nodeBackend, nodeSurface, pixelsOf } from '../paint/nodeBackend.ts';

const backend = nodeBackend();

/** RGBA of a window of the plane, in pixels of the grid. */
export function painted(
  design: Design,
  grid: PixelGrid,
  window: Box,
  options?: PlaneOptions,
  motifs = LEAF_MOTIFS,
): Buffer {
  const sheet = nodeSurface(window.right - window.left, window.bottom - window.top);
  paintPlane(sheet.context, { scene: sceneOf(design, motifs), grid, window }, backend, options);
  return Buffer.from(pixelsOf(sheet).buffer);
}

/** The leaf in one colour, without any hole. */
export const FLAT_LEAF = {
  ...LEAF_MOTIF,
  artwork: {
    ...LEAF,
    nodes: [
      {
        kind: 'path',
        path: 'M 6 6 L 34 12 L 29 54 L 9 40 Z',
        rule: 'nonzero',
        fill: { kind: 'ink', ink: '#3e7a5e', opacity: 1 },
      },
    ],
  } satisfies Artwork,
};

export const FLAT = new Map([['leaf', FLAT_LEAF]]);
