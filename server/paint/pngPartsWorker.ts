import { parentPort, type MessagePort } from 'node:worker_threads';
import { expose, transfer } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { type PngPart, pngPart } from './pngPart.ts';

const desk = {
  part(rows: Uint8Array, above: Uint8Array): PngPart {
    const part = pngPart(rows, above);
    // What zlib gives may lie in a buffer with other things.
    const data = new Uint8Array(part.data);
    return transfer({ ...part, data }, [data.buffer]);
  },
};
export type PngDesk = typeof desk;

expose(desk, nodeEndpoint(parentPort as MessagePort));
