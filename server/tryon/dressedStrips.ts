import { dress, type Dressing, fillOf, prepareStage, sceneSize, sourceKey } from '../../core/tryon/index.ts';
import type { PaintWindow } from '../paint/exposeStrips.ts';
import { backendFor } from '../paint/loadScene.ts';
import { Blobs } from '../store/blobs.ts';
import type { DressingOrder } from './prepareDressing.ts';

/** Paints windows of a try-on's picture: RGB, tightly packed. */
export async function dressedStrips(order: DressingOrder): Promise<PaintWindow> {
  const { tryOn, product, drawing, pyramids } = order;
  const { scale } = sceneSize(product, order.side);
  const outlines = drawing.outlines.map(({ artwork }) => artwork);
  const backend = await backendFor([drawing.under, drawing.light, drawing.over, ...outlines], new Blobs(order.blobs));
  const dressings = new Map(
    product.pieces.map(({ id }): [string, Dressing] => {
      const fill = fillOf(tryOn, id);
      return [id, { fill, pattern: pyramids.get(sourceKey(fill.source)) }];
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
