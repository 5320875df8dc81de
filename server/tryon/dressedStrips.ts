import { dress, type Dressing, fillOf, prepareStage, sceneSize, sourceKey } from '../../core/tryon/index.ts';
import type { PaintWindow } from '../paint/exposeStrips.ts';
import { backendFor } from '../paint/loadScene.ts';
import { Blobs } from '../store/blobs.ts';
import type { DressingOrder } from './prepareDressing.ts';

/** Paints windows of a try-on's picture: RGBA, opaque, tightly packed. */
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
  return (window) => new Uint8Array(dress(prepareStage(product, drawing, window, scale, backend), dressings).buffer);
}
