import { parentPort, type MessagePort } from 'node:worker_threads';
import { expose, transfer } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import type { Box } from '../../core/geometry/index.ts';

/** Paints a window; may write into what it is given. */
export type PaintWindow = (window: Box, spare?: Uint8Array) => Uint8Array | Promise<Uint8Array>;

/** What a thread that paints strips is asked. */
export interface StripDesk<Order = unknown> {
  /** Says what is painted; asked first. */
  prepare(order: Order): Promise<void>;
  /** @param spare what may be written into, if it is large enough */
  paint(window: Box, spare?: Uint8Array): Promise<Uint8Array>;
}

/** Lets the thread that began this one ask for windows. */
export function exposeStrips<Order>(prepare: (order: Order) => Promise<PaintWindow>): void {
  let painter: PaintWindow | undefined;
  const desk: StripDesk<Order> = {
    async prepare(order) {
      painter = await prepare(order);
    },
    async paint(window, spare) {
      if (!painter) throw new Error('a window was asked for before anything was prepared');
      const strip = await painter(window, spare);
      return transfer(strip, [strip.buffer as ArrayBuffer]);
    },
  };
  expose(desk, nodeEndpoint(parentPort as MessagePort));
}
