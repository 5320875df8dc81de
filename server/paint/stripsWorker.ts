import { parentPort, workerData, type MessagePort } from 'node:worker_threads';
import { expose, transfer } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import type { Box } from '../../core/geometry/index.ts';
import { spritesFor } from './pagePainting.ts';
import { type PaintingOrder, preparePainting } from './preparePainting.ts';
import { paintStrip } from './strip.ts';

const painting = preparePainting(workerData as PaintingOrder);
const sprites = painting.then(spritesFor);

const desk = {
  async paint(window: Box): Promise<Uint8Array> {
    const strip = await paintStrip(await painting, window, await sprites);
    return transfer(strip, [strip.buffer as ArrayBuffer]);
  },
};
export type StripDesk = typeof desk;

expose(desk, nodeEndpoint(parentPort as MessagePort));
