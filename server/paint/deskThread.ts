import { Worker } from 'node:worker_threads';
import { type Remote, wrap } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';

/** A thread that does what it is asked. */
export interface DeskThread<T> {
  /** What the thread answers; fails where the thread ends by itself. */
  ask<R>(question: (desk: Remote<T>) => Promise<R>): Promise<R>;
  end(): Promise<unknown>;
}

/** @param start file that begins it */
export function deskThread<T>(start: URL): DeskThread<T> {
  const worker = new Worker(start, { execArgv: [] });
  const ended = new Promise<never>((_resolve, reject) => {
    worker.once('error', reject);
    worker.once('exit', () => reject(new Error('a thread that was at work has ended')));
  });
  // It may end while nothing is asked of it.
  ended.catch(() => undefined);
  const desk = wrap<T>(nodeEndpoint(worker));
  return { ask: (question) => Promise.race([question(desk), ended]), end: () => worker.terminate() };
}
