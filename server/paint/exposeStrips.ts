import { parentPort, type MessagePort } from 'node:worker_threads';
import { expose, transfer } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import type { Box } from '../../core/geometry/index.ts';

/** What a thread that paints strips is asked. */
export interface StripDesk {
  paint(window: Box): Promise<Uint8Array>;
}

/** Lets the thread that began this one ask for windows. */
export function exposeStrips(painter: Promise<(window: Box) => Uint8Array | Promise<Uint8Array>>): void {
  const desk: StripDesk = {
    async paint(window) {
      const strip = await (await painter)(window);
      return transfer(strip, [strip.buffer as ArrayBuffer]);
    },
  };
  expose(desk, nodeEndpoint(parentPort as MessagePort));
}
