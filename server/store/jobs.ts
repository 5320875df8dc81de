import type { Database } from './database.ts';
import type { Job } from '../../contract/index.ts';
import { EventEmitter } from 'node:events';
import { nanoid } from 'nanoid';
import { notFound, Problem } from '../problem.ts';

/** Reports progress and learns that it should stop. */
export interface JobContext {
  readonly signal: AbortSignal;
  progress(share: number): void;
}

/** What a job does. */
export type Work = (context: JobContext, id: string) => Promise<object>;

/** What ends the server each time it is tried is not tried for ever. */
const MOST_ATTEMPTS = 3;

interface Running {
  job: Job;
  readonly stop: AbortController;
  /** Whether it is started again where the server ends before it does. */
  readonly isResumable: boolean;
  readonly done: Promise<void>;
}

/** Runs jobs, keeps a row for each, and tells listeners how far they are. */
export class Jobs {
  readonly #running = new Map<string, Running>();
  /** Whose rows are being written. */
  readonly #starting = new Set<string>();
  #isClosing = false;
  readonly #events = new EventEmitter().setMaxListeners(0);

  constructor(readonly database: Database) {}

  /** Jobs that were running when the last process ended will not go on, but for those that can be started again; those of long ago nobody asks for. */
  async closeAbandoned(): Promise<void> {
    await this.database.query(
      `UPDATE jobs SET state = 'failed', message = 'Hevrel was closed before this was done. Start it again.', updated_at = now()
       WHERE state = 'running' AND (request IS NULL OR attempts >= ${MOST_ATTEMPTS})`,
    );
    await this.database.query(`DELETE FROM jobs WHERE updated_at < now() - interval '30 days'`);
  }

  /**
   * Starts work and answers at once with its job; a rejection becomes the job's message.
   *
   * @param request what was asked for, where it is to be started again should the server end in the middle
   */
  async start(kind: string, work: Work, request?: object): Promise<Job> {
    const job = newJob(nanoid(), kind);
    this.#starting.add(job.id);
    try {
      await this.database.query('INSERT INTO jobs (id, kind, state, request) VALUES ($1, $2, $3, $4)', [
        job.id,
        kind,
        job.state,
        request === undefined ? null : JSON.stringify(request),
      ]);
      this.#begin(job, work, request !== undefined);
    } finally {
      this.#starting.delete(job.id);
    }
    return job;
  }

  /**
   * Starts again what the last process left of a kind, under the same ids; what this one has begun since goes on as it is.
   *
   * @param workOf what is to be done for a request
   */
  async resume(kind: string, workOf: (request: unknown) => Work): Promise<void> {
    const { rows } = await this.database.query<{ id: string; request: unknown }>(
      `UPDATE jobs SET attempts = attempts + 1, updated_at = now()
       WHERE kind = $1 AND state = 'running' AND request IS NOT NULL AND id <> ALL($2) RETURNING id, request`,
      [kind, [...this.#running.keys(), ...this.#starting]],
    );
    for (const { id, request } of rows) this.#begin(newJob(id, kind), workOf(request), true);
  }

  #begin(job: Job, work: Work, isResumable: boolean): void {
    const stop = new AbortController();
    const context: JobContext = { signal: stop.signal, progress: (share) => this.#report(job.id, { progress: share }) };
    const done = work(context, job.id).then(
      (result) => this.#finish(job.id, { state: 'done', progress: 1, result }),
      (error: unknown) =>
        stop.signal.aborted
          ? this.#finish(job.id, { state: 'stopped', message: 'Stopped. Nothing was changed.' })
          : this.#finish(
              job.id,
              {
                state: 'failed',
                message:
                  error instanceof Problem
                    ? error.message
                    : 'This could not be finished. Nothing was changed; try again.',
              },
              error,
            ),
    );
    this.#running.set(job.id, { job, stop, done, isResumable });
  }

  /** Every state of the job from now until it ends. */
  async *follow(id: string, signal: AbortSignal): AsyncGenerator<Job> {
    const queue: Job[] = [];
    let wake = (): void => undefined;
    const listen = (job: Job): void => {
      queue.push(job);
      wake();
    };
    const leave = (): void => wake();
    this.#events.on(id, listen);
    signal.addEventListener('abort', leave);
    try {
      let last = await this.read(id);
      yield last;
      while (last.state === 'running' && !signal.aborted) {
        const next = queue.shift();
        if (next) yield (last = next);
        else await new Promise<void>((resolve) => (wake = resolve));
      }
    } finally {
      this.#events.off(id, listen);
      signal.removeEventListener('abort', leave);
    }
  }

  async read(id: string): Promise<Job> {
    const live = this.#running.get(id);
    if (live) return live.job;
    const { rows } = await this.database.query<Job>(
      'SELECT id, kind, state, progress, message, result FROM jobs WHERE id = $1',
      [id],
    );
    if (!rows[0]) throw notFound('job');
    return rows[0];
  }

  /** Asks a running job to stop and waits until it has. */
  async stop(id: string): Promise<Job> {
    const live = this.#running.get(id);
    live?.stop.abort();
    await live?.done;
    return this.read(id);
  }

  /** Stops all that is running, for the server ends; what can be started again will be. */
  async stopAll(): Promise<void> {
    this.#isClosing = true;
    await Promise.all([...this.#running.keys()].map((id) => this.stop(id)));
  }

  async #store({ id, state, progress, message, result }: Job): Promise<void> {
    await this.database.query(
      'UPDATE jobs SET state = $2, progress = $3, message = $4, result = $5, updated_at = now() WHERE id = $1',
      [id, state, progress, message, result === null ? null : JSON.stringify(result)],
    );
  }

  #report(id: string, change: Partial<Job>): void {
    const live = this.#running.get(id);
    if (!live) return;
    live.job = { ...live.job, ...change };
    this.#events.emit(id, live.job);
  }

  async #finish(id: string, change: Partial<Job>, error?: unknown): Promise<void> {
    if (error && !(error instanceof Problem)) log(id, error);
    const live = this.#running.get(id) as Running;
    const job = { ...live.job, ...change };
    try {
      // Its row goes on saying that it runs, which is what the next start looks for.
      if (!(this.#isClosing && job.state === 'stopped' && live.isResumable)) await this.#store(job);
      this.#report(id, change);
      this.#running.delete(id);
    } catch (unwritten) {
      // Whoever follows it has to learn that it has ended; it stays at hand, since the database says that it runs.
      log(id, unwritten);
      this.#report(id, { state: 'failed', result: null, message: NOT_WRITTEN });
    }
  }
}

function newJob(id: string, kind: string): Job {
  return { id, kind, state: 'running', progress: 0, message: null, result: null };
}

const NOT_WRITTEN =
  'This was done, but its outcome could not be written down. What was saved before is safe; try again.';

function log(id: string, error: unknown): void {
  process.stderr.write(`Job ${id}: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
}
