import { expose, transfer } from 'comlink';
import { drawnById } from '../../core/motif/index.ts';
import {
  cellWindow,
  fillStrips,
  paintPlane,
  type PlaneOptions,
  reduceTile,
  type Scene,
  sceneOf,
  SpriteCache,
} from '../../core/paint/index.ts';
import { ArtworkStore } from './artworkStore.ts';
import { browserSurface, type BrowserSurface } from './browserBackend.ts';
import { MANY } from './movingSprites.ts';
import type { PaintedSprite, PaintOrder, PaintService } from './paintMessages.ts';
import { stackAround } from './stackAround.ts';
import { spritesFor } from './spritesFor.ts';

const store = new ArtworkStore();
const sprites = new SpriteCache(store.backend);
const service: PaintService = {
  async paint(order) {
    const used = new Set(order.design.placements.map(({ motif }) => motif));
    const drawn = await Promise.all(order.motifs.filter(({ id }) => used.has(id)).map((motif) => store.fetch(motif)));
    const began = performance.now();
    const scene = sceneOf(order.design, drawnById(drawn));
    const around = stackAround(order.design.placements, order.moving);
    const below = paint(order, scene, around ? { only: around.below } : {});
    const above = around && around.above.size > 0 ? paint(order, scene, { only: around.above, bare: true }) : undefined;
    const live = around && around.live.length > MANY ? await livePictures(order, scene, around.live) : [];
    return transfer({ below, above, sprites: live, took: performance.now() - began }, [
      below,
      ...(above ? [above] : []),
      ...live.map(({ image }) => image),
    ]);
  },
};
expose(service);

/** Pictures of what is about to move; what lies between is among it. */
function livePictures(
  { plan: { grid }, window }: PaintOrder,
  scene: Scene,
  ids: readonly string[],
): Promise<PaintedSprite[]> {
  return Promise.all(
    spritesFor(scene, ids, grid, window ?? cellWindow(grid), sprites).map(async ({ key, sheet }) => ({
      key,
      image: await createImageBitmap(sheet.pixels as OffscreenCanvas),
    })),
  );
}

function paint(order: PaintOrder, scene: Scene, options: PlaneOptions): ImageBitmap {
  const { plan } = order;
  const window = order.window ?? cellWindow(plan.grid);
  const sheet = browserSurface(window.right - window.left, window.bottom - window.top);
  paintPlane(sheet.context, { scene, grid: plan.grid, window }, store.backend, { ...options, sprites });
  return (plan.kind === 'far' ? reduced(sheet, order) : sheet).canvas.transferToImageBitmap();
}

/** The tile laid out from the cell, averaged down to screen scale. */
function reduced(cell: BrowserSurface, { plan: { grid, reduction } }: PaintOrder): BrowserSurface {
  const { width, height } = grid.tile;
  const unit = browserSurface(width, height);
  const pattern = unit.context.createPattern(cell.canvas, 'repeat') as CanvasPattern;
  unit.context.fillStyle = pattern;
  for (const strip of fillStrips(grid, { left: 0, top: 0, right: width, bottom: height })) {
    pattern.setTransform(new DOMMatrix([1, 0, 0, 1, strip.originX, strip.originY]));
    unit.context.fillRect(strip.x, strip.y, strip.width, strip.height);
  }
  const pixels = unit.context.getImageData(0, 0, width, height);
  unit.context.putImageData(new ImageData(reduceTile(pixels.data, width, height, reduction), width, height), 0, 0);
  return unit;
}
