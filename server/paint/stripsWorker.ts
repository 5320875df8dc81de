import { workerData } from 'node:worker_threads';
import { exposeStrips } from './exposeStrips.ts';
import { spritesFor } from './pagePainting.ts';
import { type PaintingOrder, preparePainting } from './preparePainting.ts';
import { paintStrip } from './strip.ts';

exposeStrips(
  preparePainting(workerData as PaintingOrder).then((painting) => {
    const sprites = spritesFor(painting);
    return (window, spare) => paintStrip(painting, window, sprites, { spare });
  }),
);
