import type { Box } from '../../geometry/index.ts';
import { intersectBoxes } from '../../geometry/index.ts';
import { indicesTouching, latticeTranslate, type PixelGrid } from '../../lattice/index.ts';
import type { Canvas2D, CanvasBackend, OffscreenSurface } from '../canvasBackend.ts';
import type { Sprite, SpriteCache } from '../spriteCache.ts';
import { checkRows } from './checkRows.ts';
import type { PatternedScene, SceneGround } from './sceneGround.ts';
import { type KeptShares, textureRows } from './textureRows.ts';
import { waveRows } from './waveRows.ts';

/** Pixels of a ground computed between two looks at what else is to be done. */
const PIXELS_AT_A_TIME = 1 << 18;

/** Paints parts of the lattice's upright domain, RGBA, opaque, row after row. */
export function groundRows(
  ground: PatternedScene,
  grid: PixelGrid,
  kept?: KeptShares,
): (part: Box) => Uint8ClampedArray {
  switch (ground.kind) {
    case 'gradient':
    case 'stripes':
      return waveRows(ground, grid);
    case 'checks':
      return checkRows(ground, grid);
    case 'texture':
      return textureRows(ground, grid, kept);
  }
}

/**
 * Paints the ground of a window of the plane. Every pixel is computed where it lies in the upright domain, so that all
 * instances of it are the same to the bit.
 *
 * @param window whole pixels of the plane; its top left corner is (0, 0) of the surface
 * @yields the share done, 0 to 1
 */
export function* paintingGround(
  surface: Canvas2D,
  ground: SceneGround,
  { grid, window }: { readonly grid: PixelGrid; readonly window: Box },
  backend: CanvasBackend,
  sprites?: SpriteCache,
): Generator<number, void> {
  if (ground.kind === 'flat') {
    backend.setPaint(surface, 'fillStyle', ground.colour);
    surface.fillRect(0, 0, window.right - window.left, window.bottom - window.top);
    return;
  }
  const { domain } = grid.lattice;
  const whole: Box = { left: 0, top: 0, right: domain.width, bottom: domain.height };
  const places = indicesTouching(grid.lattice, whole, window).map((index) => latticeTranslate(grid.lattice, index));
  const seen = (by: { x: number; y: number }): Box | undefined =>
    intersectBoxes(whole, {
      left: window.left - by.x,
      top: window.top - by.y,
      right: window.right - by.x,
      bottom: window.bottom - by.y,
    });
  const keepsWhole = sprites !== undefined && domain.width * domain.height <= sprites.limit / 2;
  const rows = groundRows(ground, grid, keepsWhole ? keptIn(sprites) : undefined);
  // Where several instances are seen, they are one picture laid down again and again, unless it would be larger than the window.
  const area = (window.right - window.left) * (window.bottom - window.top);
  const paintsWhole = keepsWhole || (places.length > 4 && domain.width * domain.height <= area);
  let sheet: Sprite | undefined;
  for (const [n, by] of places.entries()) {
    const part = paintsWhole ? whole : seen(by);
    if (!part) continue;
    const key = part === whole && keepsWhole ? groundKey(ground, grid) : undefined;
    if (part !== whole || !sheet) {
      sheet = key === undefined ? undefined : sprites?.kept(key);
      if (!sheet) {
        const fresh = backend.createSurface(part.right - part.left, part.bottom - part.top);
        for (const share of writingRows(fresh, rows, part)) yield (n + share) / places.length;
        sheet = fresh;
        if (key !== undefined) sprites?.keep(key, fresh, domain.width * domain.height);
      }
    }
    backend.drawPixels(surface, sheet.pixels, {
      x: by.x + part.left - window.left,
      y: by.y + part.top - window.top,
      width: part.right - part.left,
      height: part.bottom - part.top,
    });
    yield (n + 1) / places.length;
  }
}

function* writingRows(
  sheet: OffscreenSurface,
  rows: (part: Box) => Uint8ClampedArray,
  part: Box,
): Generator<number, void> {
  const width = part.right - part.left;
  const atATime = Math.max(1, Math.floor(PIXELS_AT_A_TIME / width));
  for (let top = part.top; top < part.bottom; top += atATime) {
    const bottom = Math.min(part.bottom, top + atATime);
    sheet.write(rows({ ...part, top, bottom }), width, top - part.top);
    yield (bottom - part.top) / (part.bottom - part.top);
  }
}

/** Four shares take as much room as a pixel. */
const keptIn = (sprites: SpriteCache): KeptShares => ({
  shares(key, compute) {
    const kept = sprites.kept(key)?.pixels;
    if (kept instanceof Uint8Array) return kept;
    const pixels = compute();
    sprites.keep(key, { pixels }, Math.ceil(pixels.length / 4));
    return pixels;
  },
});

/** All that the ground's pixels depend on. */
function groundKey(ground: PatternedScene, { lattice, scaleX, scaleY }: PixelGrid): string {
  const { a, b, domain } = lattice;
  return `ground ${JSON.stringify([ground, a, b, domain, scaleX, scaleY])}`;
}
