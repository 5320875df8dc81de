import { type Box, shiftBox } from '../../core/geometry/index.ts';
import { indicesTouching, type PixelGrid } from '../../core/lattice/index.ts';
import {
  paintSprite,
  partWorthPainting,
  type Scene,
  type Sprite,
  type SpriteCache,
  spriteKey,
  spritePlace,
} from '../../core/paint/index.ts';
import { CACHE_PIXELS } from './movingSprites.ts';

/** A placement's sprite and the key that it is kept under. */
export interface KeyedStamp {
  readonly key: string;
  readonly sheet: Sprite;
}

/**
 * The sprites of placements as they lie, of those that the window shows, for whoever is about to move them; not of huge ones,
 * which are painted in part, and no more than can be kept.
 */
export function spritesFor(
  scene: Scene,
  ids: readonly string[],
  grid: PixelGrid,
  window: Box,
  sprites: SpriteCache,
): KeyedStamp[] {
  const held = new Set(ids);
  const keyedStamps: KeyedStamp[] = [];
  let pixels = 0;
  for (const placement of scene.placements) {
    const motif = held.has(placement.id) ? scene.motifs.get(placement.motif) : undefined;
    if (!motif) continue;
    const place = spritePlace(placement, motif, grid);
    const { box } = place;
    const isSeen = indicesTouching(grid.lattice, shiftBox(box, place.anchor), window).length > 0;
    if (!isSeen || partWorthPainting(box, place.anchor, window) !== box) continue;
    const [width, height] = [box.right - box.left, box.bottom - box.top];
    pixels += width * height;
    if (pixels > CACHE_PIXELS) break;
    const key = spriteKey(placement, motif, place, box, grid, scene);
    keyedStamps.push({
      key,
      sheet: sprites.sheet(key, width, height, (on) =>
        paintSprite(on, placement, motif, place, box, grid, scene, sprites.backend),
      ),
    });
  }
  return keyedStamps;
}
