import type { Repeat } from '../lattice/index.ts';
import { pixelGrid, tileOf } from '../lattice/index.ts';
import { type CanvasBackend, paintPlane, type PlaneOptions, type Scene } from '../paint/index.ts';
import type { PatternPyramid } from './dress.ts';
import { pyramidOf } from './pyramid.ts';

/** Pixels of a tile that a pattern is sampled from, at the most. */
export const MOST_TILE_PIXELS = 12e6;

/** The pixels to a mm that a tile is painted with: as wished, but no more than fit. */
export function tileDensity(repeat: Repeat, wished: number, most = MOST_TILE_PIXELS): number {
  const { width, height } = tileOf(repeat);
  // At least one pixel each way; whole steps, so that small changes of size need no new tile.
  const step = 2 ** (Math.ceil(Math.log2(Math.max(1e-6, wished)) * 2) / 2);
  return Math.min(step, Math.sqrt(most / (width * height)));
}

/** Paints a pattern's tile and makes its pyramid. @param density pixels to a mm */
export function paintTile(
  scene: Scene,
  repeat: Repeat,
  density: number,
  backend: CanvasBackend,
  options?: PlaneOptions,
): PatternPyramid {
  const grid = pixelGrid(repeat, density);
  const { width, height } = grid.tile;
  const surface = backend.createSurface(width, height);
  paintPlane(
    surface.context,
    { scene, grid, window: { left: 0, top: 0, right: width, bottom: height } },
    backend,
    options,
  );
  return { grid, levels: pyramidOf(surface.read(), width, height) };
}
