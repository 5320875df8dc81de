declare module 'comlink/dist/esm/node-adapter.mjs' {
  import type { MessagePort, Worker } from 'node:worker_threads';
  import type { Endpoint } from 'comlink';
  /** A thread of Node.js as an endpoint to speak with. */
  export default function nodeEndpoint(port: Worker | MessagePort): Endpoint;
}
