import type { Design } from '../../core/document/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import type { TossResult } from '../../core/toss/index.ts';
import type { TossAnswer, TossOrder, TossResults, TossTask } from './tossMessages.ts';
import { TEXTS } from './texts.ts';

/** A task that the worker is at. */
export interface Running<T> {
  readonly done: Promise<T>;
  /** Ends it with the best so far. */
  stop(): void;
}

interface Waiting {
  readonly resolve: (value: never) => void;
  readonly reject: (error: Error) => void;
  readonly progress: ((tossed: TossResult) => void) | undefined;
}

/** Has tosses, holes and settlings calculated off the page. Its worker begins with the first task. */
export class TossClient {
  #worker: Worker | undefined;
  readonly #waiting = new Map<number, Waiting>();
  #next = 1;

  run<K extends TossTask['kind']>(
    design: Design,
    motifs: readonly Motif[],
    task: Extract<TossTask, { kind: K }>,
    progress?: (tossed: TossResult) => void,
  ): Running<TossResults[K]> {
    const id = this.#next;
    this.#next += 1;
    const done = new Promise<TossResults[K]>((resolve, reject) =>
      this.#waiting.set(id, { resolve: resolve, reject, progress }),
    );
    this.#worker ??= this.#begin();
    const post = (order: TossOrder): void => this.#worker?.postMessage(order);
    post({ id, design, motifs, task });
    return { done, stop: () => post({ stop: id }) };
  }

  /** Gives up all that is under way; the next task begins anew. */
  close(): void {
    this.#worker?.terminate();
    this.#worker = undefined;
    this.#waiting.clear();
  }

  #begin(): Worker {
    const worker = new Worker(new URL('./tossWorker.ts', import.meta.url), { type: 'module' });
    worker.onerror = ({ message }) => {
      const waiting = [...this.#waiting.values()];
      this.close();
      for (const { reject } of waiting) reject(new Error(TEXTS.itBrokeOff(message)));
    };
    worker.onmessage = ({ data }: MessageEvent<TossAnswer>) => this.#take(data);
    return worker;
  }

  #take(answer: TossAnswer): void {
    const waiting = this.#waiting.get(answer.id);
    if (!waiting) return;
    if ('progress' in answer) {
      waiting.progress?.(answer.progress);
      return;
    }
    this.#waiting.delete(answer.id);
    if ('done' in answer) waiting.resolve(answer.done as never);
    else waiting.reject(new Error(answer.expected ? answer.failed : TEXTS.itFailed(answer.failed)));
  }
}
