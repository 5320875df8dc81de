import type { Box } from '../../core/geometry/index.ts';
import type { CanvasBackend } from '../../core/paint/index.ts';
import {
  densityOn,
  dress,
  type Dressing,
  fillOf,
  paintTile,
  type PatternPyramid,
  prepareStage,
  sceneSize,
  sourceKey,
  tileDensity,
} from '../../core/tryon/index.ts';
import { backendFor, loadScene } from '../paint/loadScene.ts';
import { Blobs } from '../store/blobs.ts';
import type { PictureWish, TryOnTask } from './tryOnTask.ts';

/** The product is first looked at so large, to find out how finely its patterns are seen. */
const LOOK = 400;

/** What says all about the pixels of a try-on's picture. */
export type DressingOrder = Omit<TryOnTask<PictureWish>, 'file'>;

/** Paints windows of a try-on's picture: RGB, tightly packed. */
export async function dressedStrips(order: DressingOrder): Promise<(window: Box) => Uint8Array> {
  const { tryOn, product, drawing, wish } = order;
  const blobs = new Blobs(order.blobs);
  const { scale } = sceneSize(product, wish.side);
  const outlines = drawing.outlines.map(({ artwork }) => artwork);
  const backend = await backendFor([drawing.under, drawing.light, drawing.over, ...outlines], blobs);
  const patterns = await paintPatterns(order, blobs, scale, backend);
  const dressings = new Map(
    product.pieces.map(({ id }): [string, Dressing] => {
      const fill = fillOf(tryOn, id);
      return [id, { fill, pattern: patterns.get(sourceKey(fill.source)) }];
    }),
  );
  return (window) => {
    const part = dress(prepareStage(product, drawing, window, scale, backend), dressings);
    const pixels = new Uint8Array((part.length / 4) * 3);
    for (let from = 0, to = 0; from < part.length; from += 4, to += 3) {
      pixels[to] = part[from] as number;
      pixels[to + 1] = part[from + 1] as number;
      pixels[to + 2] = part[from + 2] as number;
    }
    return pixels;
  };
}

/** Every pattern that is used, as fine as the picture shows it anywhere. */
async function paintPatterns(
  order: DressingOrder,
  blobs: Blobs,
  scale: number,
  stageBackend: CanvasBackend,
): Promise<Map<string, PatternPyramid>> {
  const { tryOn, product } = order;
  const look = sceneSize(product, LOOK);
  const window = { left: 0, top: 0, right: look.width, bottom: look.height };
  // Only its outlines are looked at.
  const empty = { ...order.drawing.over, nodes: [] };
  const bare = { ...order.drawing, under: empty, light: empty, over: empty };
  const stage = prepareStage(product, bare, window, look.scale, stageBackend);
  const finest = new Map<string, number>();
  for (const { id } of product.pieces) {
    const fill = fillOf(tryOn, id);
    const key = sourceKey(fill.source);
    // A pattern that is printed larger is seen in more pixels to its mm.
    const wished = (densityOn(stage, id) * scale * fill.scale) / look.scale;
    finest.set(key, Math.max(wished, finest.get(key) ?? 0));
  }
  const painted = new Map<string, PatternPyramid>();
  for (const { key, design, motifs } of order.patterns) {
    const { scene, backend } = await loadScene(design, motifs, blobs);
    painted.set(key, paintTile(scene, design.repeat, tileDensity(design.repeat, finest.get(key) ?? 0), backend));
  }
  return painted;
}
