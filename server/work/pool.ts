import { fork, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { Problem } from '../problem.ts';
import type { JobContext } from '../store/jobs.ts';
import type { Answer, Order, Outcome, Task } from './tasks.ts';

interface Waiting {
  readonly order: Order;
  resolve(outcome: unknown): void;
  reject(error: Error): void;
  progress(share: number): void;
}

interface WorkerSlot {
  readonly worker: ChildProcess;
  busy: Waiting | undefined;
  /** Ends the process when it has been idle for a while. */
  idle: ReturnType<typeof setTimeout> | undefined;
}

/** A process that has nothing to do for this long ends: engines and caches in it take hundreds of megabytes. */
const IDLE_MS = 20_000;

/**
 * Processes that do the heavy work, started when first needed. Native code can only be stopped with its process, and only
 * with that does the memory it took go back to the machine.
 */
export class Pool {
  readonly #slots: WorkerSlot[] = [];
  readonly #queue: Waiting[] = [];
  #next = 1;

  /** @param idleMs a process with nothing to do for this long ends */
  constructor(
    readonly size = 2,
    readonly idleMs = IDLE_MS,
  ) {}

  /** Processes that are there now. */
  get processes(): number {
    return this.#slots.length;
  }

  /**
   * Has a task done.
   *
   * @param limitMs work that takes longer is given up, and its process with it
   */
  run<T extends Task>(task: T, context?: JobContext, limitMs?: number): Promise<Outcome<T>> {
    return new Promise<Outcome<T>>((resolve, reject) => {
      const order: Order = { id: this.#next, task };
      this.#next += 1;
      const waiting: Waiting = {
        order,
        resolve,
        reject,
        progress: context ? context.progress : () => undefined,
      };
      const abort = (): void => {
        const queued = this.#queue.indexOf(waiting);
        if (queued >= 0) this.#queue.splice(queued, 1);
        // Its process is lost with it, and another takes its place.
        else this.#slots.find(({ busy }) => busy === waiting)?.worker.kill('SIGKILL');
        waiting.reject(new Error('stopped'));
      };
      if (context?.signal.aborted) {
        reject(new Error('stopped before it began'));
        return;
      }
      context?.signal.addEventListener('abort', abort, { once: true });
      if (limitMs !== undefined) this.#limit(waiting, limitMs);
      this.#queue.push(waiting);
      this.#assign();
    });
  }

  async close(): Promise<void> {
    await Promise.all(
      this.#slots.splice(0).map(
        ({ worker }) =>
          new Promise<void>((resolve) => {
            worker.once('exit', () => resolve());
            worker.kill('SIGKILL');
          }),
      ),
    );
  }

  #assign(): void {
    for (let waiting = this.#queue[0]; waiting; waiting = this.#queue[0]) {
      let slot = this.#slots.find(({ busy }) => !busy);
      if (!slot && this.#slots.length < this.size) slot = this.#start();
      if (!slot) return;
      clearTimeout(slot.idle);
      this.#queue.shift();
      slot.busy = waiting;
      slot.worker.send(waiting.order);
    }
  }

  #start(): WorkerSlot {
    const worker = fork(fileURLToPath(new URL('./startWorker.mjs', import.meta.url)), [], {
      serialization: 'advanced',
      execArgv: [],
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    const slot: WorkerSlot = { worker, busy: undefined, idle: undefined };
    worker.unref();
    worker.channel?.unref();
    worker.on('message', (answer: Answer) => {
      const waiting = slot.busy;
      if (!waiting || waiting.order.id !== answer.id) return;
      if (answer.type === 'progress') {
        waiting.progress(answer.share);
        return;
      }
      slot.busy = undefined;
      this.#rest(slot);
      if (answer.type === 'done') waiting.resolve(answer.outcome);
      else
        waiting.reject(
          answer.problem
            ? new Problem(answer.problem.status, answer.problem.title, answer.message)
            : new Error(answer.message),
        );
      this.#assign();
    });
    worker.on('error', (error) => this.#lose(slot, error instanceof Error ? error : new Error(String(error))));
    worker.on('exit', () => this.#lose(slot, new Error('its process ended')));
    this.#slots.push(slot);
    return slot;
  }

  /** Ends the process unless something comes for it. */
  #rest(slot: WorkerSlot): void {
    clearTimeout(slot.idle);
    slot.idle = setTimeout(() => {
      if (slot.busy) return;
      const index = this.#slots.indexOf(slot);
      if (index >= 0) this.#slots.splice(index, 1);
      slot.worker.kill('SIGKILL');
    }, this.idleMs);
    slot.idle.unref();
  }

  #lose(slot: WorkerSlot, error: Error): void {
    clearTimeout(slot.idle);
    const index = this.#slots.indexOf(slot);
    if (index >= 0) this.#slots.splice(index, 1);
    slot.busy?.reject(error);
    slot.busy = undefined;
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
      const slot = this.#slots.find(({ busy }) => busy === waiting);
      slot?.worker.kill('SIGKILL');
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
