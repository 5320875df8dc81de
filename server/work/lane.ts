import type { Limits } from './limits.ts';
import type { Task } from './tasks.ts';
import { WorkerProcess, type Waiting } from './workerProcess.ts';

/** How a lane works. */
export interface LaneRules {
  /** Processes at the most. */
  readonly size: number;
  /** Processes besides for what waits while all others are slow. */
  readonly spare?: number;
  /** A process with nothing to do for this long ends. */
  readonly idleMs: number;
  /** What a task may take. */
  readonly limitsOf: (task: Task) => Limits;
  /** Whether a task may begin beside those under way; asked anew whenever one ends. */
  readonly mayBegin?: (next: Waiting, underWay: readonly WorkerProcess[]) => boolean;
}

/** A task under way for this long is slow: most take a tenth of it. */
const SLOW_MS = 500;

/** Tasks that wait for each other: a queue, and the processes that work on it. */
export class Lane {
  readonly #free = new Set<WorkerProcess>();
  readonly #all = new Set<WorkerProcess>();
  readonly #queue: Waiting[] = [];
  /** When each window that waits was last served, as turns. */
  readonly #served = new Map<string, number>();
  #turns = 0;
  #isClosed = false;
  #later: NodeJS.Timeout | undefined;

  constructor(readonly rules: LaneRules) {}

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
    clearTimeout(this.#later);
    for (const waiting of this.#queue.splice(0)) waiting.reject(new Error('Hevrel is closing'));
    await Promise.all(
      [...this.#all].map((process) => {
        process.kill();
        return process.ended();
      }),
    );
  }

  #assign(): void {
    for (;;) {
      const underWay = [...this.#all].filter((process) => !this.#free.has(process));
      const waiting = this.#next(underWay);
      if (!waiting || this.#isClosed) return;
      if (this.rules.mayBegin?.(waiting, underWay) === false) return;
      const process = this.#take();
      if (!process) {
        this.#lookAgain();
        return;
      }
      this.#queue.splice(this.#queue.indexOf(waiting), 1);
      this.#serve(waiting.window);
      process.work(waiting);
    }
  }

  /**
   * The first that waits of the window that has the fewest under way and, of such, was served longest ago: what is slow for one keeps
   * no other waiting for more than one task.
   */
  #next(underWay: readonly WorkerProcess[]): Waiting | undefined {
    const busy = new Map<string, number>();
    for (const { window } of underWay) if (window !== undefined) busy.set(window, (busy.get(window) ?? 0) + 1);
    const rank = ({ window }: Waiting): [number, number] => [busy.get(window) ?? 0, this.#served.get(window) ?? 0];
    let next: Waiting | undefined;
    for (const waiting of this.#queue) {
      if (!next) next = waiting;
      const [[count, turn], [leastCount, leastTurn]] = [rank(waiting), rank(next)];
      if (count < leastCount || (count === leastCount && turn < leastTurn)) next = waiting;
    }
    return next;
  }

  /** Notes that a window has had a turn; of those that wait for nothing more, nothing is remembered. */
  #serve(window: string): void {
    this.#turns += 1;
    this.#served.set(window, this.#turns);
    const waiting = new Set(this.#queue.map((one) => one.window));
    for (const served of this.#served.keys()) if (!waiting.has(served)) this.#served.delete(served);
  }

  #take(): WorkerProcess | undefined {
    const [free] = this.#free;
    if (free) {
      this.#free.delete(free);
      return free;
    }
    if (this.#all.size >= this.rules.size + this.#spareNow()) return undefined;
    const process = new WorkerProcess(
      this.rules.limitsOf,
      (done) => {
        this.#free.add(done);
        done.restFor(this.rules.idleMs);
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

  /** As many as are slow, so that what is quick never waits for what will be stopped in the end. */
  #spareNow(): number {
    const slow = [...this.#all].filter((process) => process.busyFor() > SLOW_MS).length;
    return Math.min(this.rules.spare ?? 0, slow);
  }

  /** Whether those under way are slow shows only with time. */
  #lookAgain(): void {
    if (!this.rules.spare) return;
    clearTimeout(this.#later);
    this.#later = setTimeout(() => this.#assign(), SLOW_MS);
    this.#later.unref();
  }
}
