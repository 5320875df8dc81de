import type { Limits } from './limits.ts';
import type { Task } from './tasks.ts';
import { WorkerProcess, type Waiting } from './workerProcess.ts';

/** Tasks that wait for each other: a queue, and the processes that work on it. */
export class Lane {
  readonly #free = new Set<WorkerProcess>();
  readonly #all = new Set<WorkerProcess>();
  readonly #queue: Waiting[] = [];
  #isClosed = false;

  /**
   * @param size processes at the most
   * @param idleMs a process with nothing to do for this long ends
   * @param limitsOf what a task may take
   * @param mayBegin whether a task may begin beside those under way; asked anew whenever one ends
   */
  constructor(
    readonly size: number,
    readonly idleMs: number,
    readonly limitsOf: (task: Task) => Limits,
    readonly mayBegin: (next: Waiting, underWay: readonly WorkerProcess[]) => boolean = () => true,
  ) {}

  /** Processes that are there now. */
  get processes(): number {
    return this.#all.size;
  }

  add(waiting: Waiting): void {
    this.#queue.push(waiting);
    this.#assign();
  }

  /** Takes a task out: from the queue, or with the process that works on it. */
  drop(waiting: Waiting): void {
    const queued = this.#queue.indexOf(waiting);
    if (queued >= 0) this.#queue.splice(queued, 1);
    else [...this.#all].find((process) => process.isWorkingOn(waiting))?.kill();
  }

  async close(): Promise<void> {
    this.#isClosed = true;
    for (const waiting of this.#queue.splice(0)) waiting.reject(new Error('Hevrel is closing'));
    await Promise.all(
      [...this.#all].map((process) => {
        process.kill();
        return process.ended();
      }),
    );
  }

  #assign(): void {
    for (let waiting = this.#queue[0]; waiting && !this.#isClosed; waiting = this.#queue[0]) {
      const underWay = [...this.#all].filter((process) => !this.#free.has(process));
      if (!this.mayBegin(waiting, underWay)) return;
      const process = this.#take();
      if (!process) return;
      this.#queue.shift();
      process.work(waiting);
    }
  }

  #take(): WorkerProcess | undefined {
    const [free] = this.#free;
    if (free) {
      this.#free.delete(free);
      return free;
    }
    if (this.#all.size >= this.size) return undefined;
    const process = new WorkerProcess(
      this.limitsOf,
      (done) => {
        this.#free.add(done);
        done.restFor(this.idleMs);
        this.#assign();
      },
      (ended) => {
        this.#free.delete(ended);
        this.#all.delete(ended);
        this.#assign();
      },
    );
    this.#all.add(process);
    return process;
  }
}
