import { Lane } from './lane.ts';
import { EXPORT_BUDGET, limitsOf, needOf } from './limits.ts';
import type { Outcome, Task } from './tasks.ts';
import type { Waiting, WorkerProcess } from './workerProcess.ts';

/** A process that has nothing to do for this long ends: engines and caches in it take hundreds of megabytes. */
const IDLE_MS = 20_000;

/** Files that are read besides the usual ones while those are slow. */
const SPARE_READERS = 2;

type LaneName = 'reading' | 'shelving' | 'making' | 'painting' | 'keeping';

/** Where tasks of each kind wait: a file to be read never waits behind an export. */
const LANE_OF: { readonly [K in Task['kind']]: LaneName } = {
  read: 'reading',
  font: 'reading',
  preview: 'shelving',
  shrink: 'shelving',
  flatten: 'shelving',
  seams: 'shelving',
  unpack: 'making',
  'open-collection': 'making',
  check: 'reading',
  open: 'reading',
  derive: 'making',
  cut: 'making',
  scan: 'making',
  compare: 'making',
  pictures: 'making',
  'strike-off': 'making',
  plates: 'making',
  sheet: 'making',
  product: 'reading',
  photo: 'reading',
  'outline-product': 'reading',
  marked: 'making',
  'try-on': 'making',
  paint: 'painting',
  vector: 'painting',
  pack: 'painting',
  archive: 'keeping',
  'check-studio': 'keeping',
  'read-back': 'keeping',
};

/** What is known of whoever has a task done. */
export interface TaskOrder {
  /** Stops it. */
  readonly signal: AbortSignal;
  readonly progress?: (share: number) => void;
  /** The window that asks; those that are not told apart count as one. */
  readonly window?: string;
}

/**
 * Processes that do the heavy work, started when first needed. Native code can only be stopped with its process, and only
 * with that does the memory it took go back to the machine.
 */
export class Pool {
  readonly #lanes: { readonly [K in LaneName]: Lane };
  #next = 1;

  /**
   * @param size processes of each lane at the most
   * @param idleMs a process with nothing to do for this long ends
   * @param limits what a task may take
   * @param exportBudget bytes that exports under way may take together; one alone may take more
   */
  constructor({ size = 2, idleMs = IDLE_MS, exportBudget = EXPORT_BUDGET, limits = limitsOf } = {}) {
    const rules = { size, idleMs, limitsOf: limits };
    this.#lanes = {
      reading: new Lane({ ...rules, spare: SPARE_READERS }),
      // Pages of a PDF may take long; a motif that is imported never waits for them.
      shelving: new Lane(rules),
      making: new Lane(rules),
      keeping: new Lane({ ...rules, size: 1 }),
      painting: new Lane({
        ...rules,
        mayBegin: ({ order: { task } }, underWay) =>
          underWay.length === 0 || needsOf(task) + sumOf(underWay) <= exportBudget,
      }),
    };
  }

  /** Processes that are there now: of one lane, or of all. */
  processes(lane?: LaneName): number {
    const lanes = lane === undefined ? Object.values(this.#lanes) : [this.#lanes[lane]];
    return lanes.reduce((sum, { processes }) => sum + processes, 0);
  }

  /**
   * Has a task done.
   *
   * @throws Problem where it cannot be done, takes longer or more memory than it may, or ends its process; Error where it is
   *   stopped
   */
  run<T extends Task>(task: T, context?: TaskOrder): Promise<Outcome<T>> {
    const lane = this.#lanes[LANE_OF[task.kind]];
    return new Promise<Outcome<T>>((resolve, reject) => {
      if (context?.signal.aborted) {
        reject(new Error('stopped before it began'));
        return;
      }
      const order = { id: this.#next, task };
      this.#next += 1;
      const settle = (): void => context?.signal.removeEventListener('abort', abort);
      const waiting: Waiting = {
        order,
        resolve: (outcome) => {
          settle();
          // A process answers an order with what its kind of task comes to.
          resolve(outcome as Outcome<T>);
        },
        reject: (error) => {
          settle();
          reject(error);
        },
        window: context?.window ?? '',
        progress: (share) => context?.progress?.(share),
      };
      const abort = (): void => {
        waiting.reject(new Error('stopped'));
        lane.drop(waiting);
      };
      context?.signal.addEventListener('abort', abort, { once: true });
      lane.add(waiting);
    });
  }

  async close(): Promise<void> {
    await Promise.all(Object.values(this.#lanes).map((lane) => lane.close()));
  }
}

function needsOf(task: Task): number {
  return task.kind === 'paint' ? needOf(task) : 0;
}

function sumOf(processes: readonly WorkerProcess[]): number {
  return processes.reduce((sum, { task }) => sum + (task ? needsOf(task) : 0), 0);
}
