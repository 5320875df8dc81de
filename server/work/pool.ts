import { Worker } from 'node:worker_threads';
import { Problem } from '../problem.ts';
import type { JobContext } from '../store/jobs.ts';
import type { Answer, Order, Outcome, Task } from './tasks.ts';

interface Waiting {
  readonly order: Order;
  resolve(outcome: unknown): void;
  reject(error: Error): void;
  progress(share: number): void;
}

interface Hand {
  readonly worker: Worker;
  busy: Waiting | undefined;
}

/** Worker threads that do the heavy work, started when first needed. */
export class Pool {
  readonly #hands: Hand[] = [];
  readonly #queue: Waiting[] = [];
  #next = 1;

  constructor(readonly size = 2) {}

  /**
   * Has a task done.
   *
   * @param limitMs work that takes longer is given up, and its thread with it
   */
  run<T extends Task>(task: T, hands?: JobContext, limitMs?: number): Promise<Outcome<T>> {
    return new Promise<Outcome<T>>((resolve, reject) => {
      const stop = new Int32Array(new SharedArrayBuffer(4));
      const order: Order = { id: this.#next, task, stop };
      this.#next += 1;
      const waiting: Waiting = {
        order,
        resolve: resolve as (outcome: unknown) => void,
        reject,
        progress: hands ? hands.progress : () => undefined,
      };
      const abort = (): void => {
        Atomics.store(stop, 0, 1);
        const queued = this.#queue.indexOf(waiting);
        if (queued < 0) return;
        this.#queue.splice(queued, 1);
        reject(new Error('stopped before it began'));
      };
      if (hands?.signal.aborted) {
        reject(new Error('stopped before it began'));
        return;
      }
      hands?.signal.addEventListener('abort', abort, { once: true });
      if (limitMs !== undefined) this.#limit(waiting, limitMs);
      this.#queue.push(waiting);
      this.#assign();
    });
  }

  async close(): Promise<void> {
    await Promise.all(this.#hands.splice(0).map(({ worker }) => worker.terminate()));
  }

  #assign(): void {
    while (this.#queue.length > 0) {
      let hand = this.#hands.find(({ busy }) => !busy);
      if (!hand && this.#hands.length < this.size) hand = this.#hire();
      if (!hand) return;
      hand.busy = this.#queue.shift() as Waiting;
      hand.worker.postMessage(hand.busy.order);
    }
  }

  #hire(): Hand {
    const worker = new Worker(new URL('./startWorker.mjs', import.meta.url));
    const hand: Hand = { worker, busy: undefined };
    worker.unref();
    worker.on('message', (answer: Answer) => {
      const waiting = hand.busy;
      if (!waiting || waiting.order.id !== answer.id) return;
      if (answer.type === 'progress') {
        waiting.progress(answer.share);
        return;
      }
      hand.busy = undefined;
      if (answer.type === 'done') waiting.resolve(answer.outcome);
      else
        waiting.reject(
          answer.problem
            ? new Problem(answer.problem.status, answer.problem.title, answer.message)
            : new Error(answer.message),
        );
      this.#assign();
    });
    worker.on('error', (error) => this.#lose(hand, error instanceof Error ? error : new Error(String(error))));
    worker.on('exit', () => this.#lose(hand, new Error('the worker ended')));
    this.#hands.push(hand);
    return hand;
  }

  #lose(hand: Hand, error: Error): void {
    const index = this.#hands.indexOf(hand);
    if (index >= 0) this.#hands.splice(index, 1);
    hand.busy?.reject(error);
    hand.busy = undefined;
    this.#assign();
  }

  #limit(waiting: Waiting, limitMs: number): void {
    const timer = setTimeout(() => {
      waiting.reject(
        new Problem(
          422,
          'Too complicated',
          `This took longer than ${Math.round(limitMs / 1000)} seconds to read and was given up. Nothing was changed; simplify the drawing and import it again.`,
        ),
      );
      const hand = this.#hands.find(({ busy }) => busy === waiting);
      if (hand) void hand.worker.terminate();
    }, limitMs);
    timer.unref();
    const { resolve, reject } = waiting;
    waiting.resolve = (outcome) => {
      clearTimeout(timer);
      resolve(outcome);
    };
    waiting.reject = (error) => {
      clearTimeout(timer);
      reject(error);
    };
  }
}
