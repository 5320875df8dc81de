import { fork, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import pidusage from 'pidusage';
import { draftsBeside, newDraft } from '../store/drafts.ts';
import { removeTree } from '../store/trees.ts';
import { Problem } from '../problem.ts';
import type { Limits } from './limits.ts';
import type { Answer, Order, Task } from './tasks.ts';

/** Memory is looked at so often while something is worked on, ms. */
const LOOK_MS = 100;
/** A process that has not begun by then never will, ms. */
const START_MS = 60_000;
/** A process that has grown beyond this is not used again: what engines and caches took does not come back otherwise. */
const TIRED = 600 * 1024 * 1024;

/** A task that waits for a process or is in one. */
export interface Waiting {
  readonly order: Order;
  /** Which window asks. */
  readonly window: string;
  resolve(outcome: unknown): void;
  reject(error: Error): void;
  progress(share: number): void;
}

/**
 * A process that works on one task at a time. It is killed where a task takes longer or more memory than it may: native code
 * in a thread could not be stopped.
 */
export class WorkerProcess {
  readonly #child: ChildProcess;
  readonly #onFree: (process: WorkerProcess) => void;
  readonly #onEnd: (process: WorkerProcess) => void;
  /** Resolves once it has ended and nothing of it lies there any more. */
  readonly #gone: Promise<void>;
  #busy: Waiting | undefined;
  /** Where what its task keeps lies until that is done. */
  #stage: string | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #watch: ReturnType<typeof setInterval> | undefined;
  #memory = 0;
  /** When its task began. */
  #since: number | undefined;

  /**
   * @param limitsOf what a task may take
   * @param onFree called when a task is done and the process can take another
   * @param onEnd called once, when the process has ended or is not to be used again
   */
  constructor(
    readonly limitsOf: (task: Task) => Limits,
    onFree: (process: WorkerProcess) => void,
    onEnd: (process: WorkerProcess) => void,
  ) {
    this.#onFree = onFree;
    this.#onEnd = onEnd;
    this.#child = fork(fileURLToPath(new URL('./startWorker.mjs', import.meta.url)), [], {
      serialization: 'advanced',
      execArgv: [],
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    this.#child.unref();
    this.#child.channel?.unref();
    this.#child.on('message', (answer: Answer) => this.#take(answer));
    this.#child.on('error', () => this.#end());
    this.#gone = new Promise<void>((resolve) => this.#child.once('exit', () => resolve()))
      // It may have gone on to write until then.
      .then(() => this.#clearStage())
      .catch((error: unknown) => {
        process.stderr.write(`What a process left could not be removed: ${String(error)}\n`);
      })
      .finally(() => this.#end());
  }

  get task(): Task | undefined {
    return this.#busy?.order.task;
  }

  /** How long the task that it works on has been under way, ms; 0 where it works on none. */
  busyFor(): number {
    return this.#busy && this.#since !== undefined ? performance.now() - this.#since : 0;
  }

  get window(): string | undefined {
    return this.#busy?.window;
  }

  isWorkingOn(waiting: Waiting): boolean {
    return this.#busy === waiting;
  }

  work(waiting: Waiting): void {
    this.#busy = waiting;
    clearTimeout(this.#timer);
    const limits = this.limitsOf(waiting.order.task);
    this.#timer = setTimeout(() => this.#giveUp(limits, 'could not begin'), START_MS);
    this.#stage = stageOf(waiting.order.task);
    this.#child.send({ ...waiting.order, stage: this.#stage } satisfies Order);
  }

  /** Ends the process, and with it what it works on. */
  kill(): void {
    this.#child.kill('SIGKILL');
  }

  /** Ends the process unless something comes for it in the meantime. */
  restFor(ms: number): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => {
      this.kill();
      // At once, so that nothing is given to it while it ends.
      this.#onEnd(this);
    }, ms);
    this.#timer.unref();
  }

  ended(): Promise<void> {
    return this.#gone;
  }

  #take(answer: Answer): void {
    const waiting = this.#busy;
    if (!waiting || waiting.order.id !== answer.id) return;
    if (answer.type === 'began') {
      this.#guard(waiting);
      return;
    }
    if (answer.type === 'progress') {
      waiting.progress(answer.share);
      return;
    }
    this.#release();
    this.#stage = undefined;
    if (answer.type === 'done') waiting.resolve(answer.outcome);
    else
      waiting.reject(
        answer.problem
          ? new Problem(answer.problem.status, answer.problem.title, answer.message)
          : new Error(answer.message),
      );
    if (this.#memory > TIRED) {
      this.kill();
      this.#onEnd(this);
    } else this.#onFree(this);
  }

  /** Holds the task to its limits from now on. */
  #guard(waiting: Waiting): void {
    const limits = this.limitsOf(waiting.order.task);
    this.#since = performance.now();
    clearTimeout(this.#timer);
    this.#timer = setTimeout(
      () => this.#giveUp(limits, `took longer than ${Math.round(limits.ms / 1000)} seconds`),
      limits.ms,
    );
    this.#timer.unref();
    const { pid } = this.#child;
    if (pid === undefined) return;
    this.#watch = setInterval(() => {
      pidusage(pid).then(
        ({ memory }) => {
          this.#memory = memory;
          if (memory > limits.memory && this.isWorkingOn(waiting))
            this.#giveUp(limits, `took more than ${Math.round(limits.memory / 1024 / 1024)} MB of memory`);
        },
        // It ended between two looks; its end is told by itself.
        () => undefined,
      );
    }, LOOK_MS);
    this.#watch.unref();
  }

  #giveUp({ doing, advice }: Limits, why: string): void {
    const waiting = this.#release();
    waiting?.reject(new Problem(422, 'Too complicated', `${doing} ${why} and was stopped. ${advice}`));
    this.kill();
  }

  /** Of a task that came to an answer nothing lies there any more. */
  async #clearStage(): Promise<void> {
    if (this.#stage !== undefined) await removeTree(this.#stage);
    this.#stage = undefined;
  }

  /** It works on nothing any more. */
  #release(): Waiting | undefined {
    const waiting = this.#busy;
    this.#busy = undefined;
    this.#since = undefined;
    clearTimeout(this.#timer);
    clearInterval(this.#watch);
    return waiting;
  }

  #end(): void {
    const waiting = this.#release();
    if (waiting) {
      const { doing, advice } = this.limitsOf(waiting.order.task);
      waiting.reject(new Problem(422, 'Broken off', `${doing} broke off: its process ended. ${advice}`));
    }
    this.#onEnd(this);
  }
}

/** The folder for what a task keeps, where it is told of blobs at all. */
function stageOf(task: Task): string | undefined {
  return 'blobs' in task ? newDraft(draftsBeside(task.blobs)) : undefined;
}
