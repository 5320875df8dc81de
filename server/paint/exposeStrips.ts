import { parentPort, type MessagePort } from 'node:worker_threads';
import { expose, transfer } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import type { Box } from '../../core/geometry/index.ts';

/** What a thread that paints strips is asked. */
export interface StripDesk {
  /** @param spare what may be written into, if it is large enough */
  paint(window: Box, spare?: Uint8Array): Promise<Uint8Array>;
}

/** Lets the thread that began this one ask for windows. */
export function exposeStrips(
  painter: Promise<(window: Box, spare?: Uint8Array) => Uint8Array | Promise<Uint8Array>>,
): void {
  const desk: StripDesk = {
    async paint(window, spare) {
      const strip = await (await painter)(window, spare);
      return transfer(strip, [strip.buffer as ArrayBuffer]);
    },
  };
  expose(desk, nodeEndpoint(parentPort as MessagePort));
}
