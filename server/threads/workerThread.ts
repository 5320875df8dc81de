import { Worker, type WorkerOptions } from 'node:worker_threads';
import { wrap, type Remote } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';

/** A thread that does what it is asked, until it is ended or ends by itself. */
export class WorkerThread<T> {
  readonly #worker: Worker;
  readonly #remote: Remote<T>;
  /** How each question under way is told that there will be no answer. A question that was answered leaves nothing here. */
  readonly #waiting = new Set<(error: Error) => void>();
  #failure: Error | undefined;

  /**
   * @param start file that begins it, which has to expose `T`
   * @param options as those of the worker
   */
  constructor(start: URL, options: WorkerOptions = {}) {
    this.#worker = new Worker(start, { execArgv: [], ...options });
    this.#worker.once('error', (error) => this.#fail(error instanceof Error ? error : new Error(String(error))));
    this.#worker.once('exit', () => this.#fail(new Error('a thread that was at work has ended')));
    this.#remote = wrap<T>(nodeEndpoint(this.#worker));
  }

  /** Whether it has ended. */
  get hasEnded(): boolean {
    return this.#failure !== undefined;
  }

  /**
   * Asks it something.
   *
   * @param patience ms after which it is taken for hanging; it is waited for as long as it takes unless given
   * @throws Error where the thread has ended, ends meanwhile, or takes longer than that
   */
  ask<R>(question: (remote: Remote<T>) => Promise<R>, patience?: number): Promise<R> {
    return new Promise((resolve, reject) => {
      if (this.#failure) {
        reject(this.#failure);
        return;
      }
      const timer =
        patience === undefined
          ? undefined
          : setTimeout(() => refuse(new Error(`it did not answer for ${patience} ms`)), patience);
      const settle = (): void => {
        clearTimeout(timer);
        this.#waiting.delete(refuse);
      };
      const refuse = (error: unknown): void => {
        settle();
        reject(error instanceof Error ? error : new Error(String(error)));
      };
      this.#waiting.add(refuse);
      question(this.#remote).then((answer) => {
        settle();
        resolve(answer);
      }, refuse);
    });
  }

  /** Ends it, whatever it is doing. */
  async end(): Promise<void> {
    await this.#worker.terminate();
  }

  #fail(error: Error): void {
    this.#failure ??= error;
    for (const refuse of this.#waiting) refuse(this.#failure);
  }
}
