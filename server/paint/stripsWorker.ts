import { exposeStrips } from './exposeStrips.ts';
import { spritesFor } from './pagePainting.ts';
import { type PaintingOrder, preparePainting } from './preparePainting.ts';
import { paintStrip } from './strip.ts';

exposeStrips(async (order: PaintingOrder) => {
  const painting = await preparePainting(order);
  const sprites = spritesFor(painting);
  return (window, spare) => paintStrip(painting, window, sprites, { spare });
});
