import type { Database } from './database.ts';
import { DISK_FULL, isDiskFull } from './space.ts';
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
/** Jobs of a kind that are under way together; the others wait. */
const AT_ONCE = 4;
/** Jobs that wait, of all kinds. */
const MOST_WAITING = 1000;

/** A job that this process knows of: it waits, or it is under way. */
interface Live {
  job: Job;
  /** What it does, where that cannot be made from its row. */
  readonly work: Work | undefined;
  readonly stop: AbortController;
  /** Whether it is started again where the server ends before it does. */
  readonly isResumable: boolean;
  /** Resolves when it has ended; missing while it waits. */
  done?: Promise<void>;
}

/** Runs jobs, a few of each kind at a time, keeps a row for each, and tells listeners how far they are. */
export class Jobs {
  readonly #live = new Map<string, Live>();
  /** Those that wait, by their kind, in the order in which they were asked for. */
  readonly #waiting = new Map<string, Live[]>();
  /** How many of a kind are under way. */
  readonly #underWay = new Map<string, number>();
  /** How what was asked for becomes work, for kinds that can be started again. */
  readonly #kinds = new Map<string, (request: unknown) => Work>();
  #isClosing = false;
  readonly #events = new EventEmitter().setMaxListeners(0);

  constructor(readonly database: Database) {}

  /** Says how jobs of a kind are begun from what was asked for: after a start, and when their turn comes. */
  register(kind: string, workOf: (request: unknown) => Work): void {
    this.#kinds.set(kind, workOf);
  }

  /** Jobs that were running when the last process ended will not go on, but for those that can be started again; those of long ago nobody asks for. */
  async closeAbandoned(): Promise<void> {
    await this.database.query(
      `UPDATE jobs SET state = 'failed', message = 'Hevrel was closed before this was done. Start it again.', updated_at = now()
       WHERE state = 'running' AND (request IS NULL OR attempts >= ${MOST_ATTEMPTS})`,
    );
    await this.database.query(`DELETE FROM jobs WHERE updated_at < now() - interval '30 days'`);
  }

  /**
   * Starts work, or has it wait for its turn, and answers at once with its job; a rejection becomes the job's message.
   *
   * @param request what was asked for, where it is to be started again should the server end in the middle
   * @throws Problem (429) where too many wait
   */
  async start(kind: string, work: Work, request?: object): Promise<Job> {
    const isResumable = request !== undefined;
    const begins = this.#takeTurn(kind);
    // What waits and can be made again from its row is not held meanwhile.
    const held = isResumable && !begins && this.#kinds.has(kind) ? undefined : work;
    const live = newLive(nanoid(), kind, isResumable, held);
    const { id } = live.job;
    this.#live.set(id, live);
    try {
      const { rows } = await this.database.query(
        `INSERT INTO jobs (id, kind, state, request, begun_at, attempts)
         SELECT $1, $2, 'running', $3, CASE WHEN $4 THEN now() END, CASE WHEN $4 THEN 1 ELSE 0 END
         WHERE $4 OR (SELECT count(*) FROM jobs WHERE state = 'running' AND begun_at IS NULL) < $5 RETURNING id`,
        [id, kind, isResumable ? JSON.stringify(request) : null, begins, MOST_WAITING],
      );
      if (rows.length === 0) throw tooMany();
      if (this.#isClosing) throw new Problem(503, 'Closed', 'Hevrel is closing. What was saved is safe.');
    } catch (error) {
      this.#live.delete(id);
      if (begins) this.#giveTurn(kind);
      throw error;
    }
    if (begins) this.#run(live, () => Promise.resolve(work));
    else {
      this.#queueOf(kind).push(live);
      this.#beginWaiting(kind);
    }
    return live.job;
  }

  /** Has what the last process left, of the kinds that are registered, wait for its turn under the same ids. */
  async resume(): Promise<void> {
    const { rows } = await this.database.query<{ id: string; kind: string; created_at: Date }>(
      `UPDATE jobs SET begun_at = NULL WHERE state = 'running' AND request IS NOT NULL AND kind = ANY($1) AND id <> ALL($2)
       RETURNING id, kind, created_at`,
      [[...this.#kinds.keys()], [...this.#live.keys()]],
    );
    for (const { id, kind } of rows.sort((a, b) => a.created_at.getTime() - b.created_at.getTime())) {
      const live = newLive(id, kind, true, undefined);
      this.#live.set(id, live);
      this.#queueOf(kind).push(live);
    }
    for (const kind of this.#kinds.keys()) this.#beginWaiting(kind);
  }

  /** Begins as many of a kind as may be under way. */
  #beginWaiting(kind: string): void {
    const queue = this.#queueOf(kind);
    while (queue.length > 0 && this.#takeTurn(kind, false)) {
      const live = queue.shift() as Live;
      this.#run(live, () => this.#workOf(live));
    }
  }

  /** @param isNew whether it comes after those that wait */
  #takeTurn(kind: string, isNew = true): boolean {
    const underWay = this.#underWay.get(kind) ?? 0;
    if (this.#isClosing || underWay >= AT_ONCE || (isNew && this.#queueOf(kind).length > 0)) return false;
    this.#underWay.set(kind, underWay + 1);
    return true;
  }

  #giveTurn(kind: string): void {
    this.#underWay.set(kind, (this.#underWay.get(kind) ?? 1) - 1);
    this.#beginWaiting(kind);
  }

  #queueOf(kind: string): Live[] {
    const queue = this.#waiting.get(kind) ?? [];
    this.#waiting.set(kind, queue);
    return queue;
  }

  /** Notes in its row that a job which waited is begun. @returns its work */
  async #workOf({ job: { id, kind }, work }: Live): Promise<Work> {
    const { rows } = await this.database.query<{ request: unknown }>(
      `UPDATE jobs SET begun_at = now(), attempts = attempts + 1, updated_at = now() WHERE id = $1 RETURNING request`,
      [id],
    );
    const made = work ?? this.#kinds.get(kind)?.(rows[0]?.request);
    if (!made) throw new Error(`nothing is known of jobs of the kind ${kind}`);
    return made;
  }

  #run(live: Live, prepare: () => Promise<Work>): void {
    const { stop } = live;
    const { id, kind } = live.job;
    const context: JobContext = { signal: stop.signal, progress: (share) => this.#report(id, { progress: share }) };
    const worked = async (): Promise<object> => {
      const work = await prepare();
      stop.signal.throwIfAborted();
      return work(context, id);
    };
    live.done = worked()
      .then(
        (result) => this.#finish(id, { state: 'done', progress: 1, result }),
        (error: unknown) =>
          stop.signal.aborted
            ? this.#finish(id, STOPPED)
            : this.#finish(id, { state: 'failed', message: failureMessage(error) }, error),
      )
      .then(() => this.#giveTurn(kind));
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
    const live = this.#live.get(id);
    if (live) return live.job;
    const { rows } = await this.database.query<Job>(
      'SELECT id, kind, state, progress, message, result FROM jobs WHERE id = $1',
      [id],
    );
    if (!rows[0]) throw notFound('job');
    return rows[0];
  }

  /** Asks a job to stop and waits until it has. */
  async stop(id: string): Promise<Job> {
    const live = this.#live.get(id);
    live?.stop.abort();
    if (live && !live.done) {
      const queue = this.#queueOf(live.job.kind);
      const at = queue.indexOf(live);
      // It is about to be begun, or to wait, where it is not among those that wait.
      if (at >= 0) {
        queue.splice(at, 1);
        await this.#finish(id, STOPPED);
      }
    }
    await live?.done;
    return this.read(id);
  }

  /** Stops all that is running or waits, for the server ends; what can be started again will be. */
  async stopAll(): Promise<void> {
    this.#isClosing = true;
    for (const queue of this.#waiting.values()) queue.length = 0;
    const waiting = [...this.#live.values()].filter(({ done }) => !done);
    for (const { job, stop } of waiting) {
      stop.abort();
      // Those who follow it go; its row goes on saying that it waits.
      this.#report(job.id, STOPPED);
      this.#live.delete(job.id);
    }
    await Promise.all([...this.#live.keys()].map((id) => this.stop(id)));
  }

  async #store({ id, state, progress, message, result }: Job): Promise<void> {
    await this.database.query(
      'UPDATE jobs SET state = $2, progress = $3, message = $4, result = $5, updated_at = now() WHERE id = $1',
      [id, state, progress, message, result === null ? null : JSON.stringify(result)],
    );
  }

  #report(id: string, change: Partial<Job>): void {
    const live = this.#live.get(id);
    if (!live) return;
    live.job = { ...live.job, ...change };
    this.#events.emit(id, live.job);
  }

  async #finish(id: string, change: Partial<Job>, error?: unknown): Promise<void> {
    if (error && !(error instanceof Problem)) log(id, error);
    const live = this.#live.get(id) as Live;
    const job = { ...live.job, ...change };
    try {
      // Its row goes on saying that it runs, which is what the next start looks for.
      if (!(this.#isClosing && job.state === 'stopped' && live.isResumable)) await this.#store(job);
      this.#report(id, change);
      this.#live.delete(id);
    } catch (unwritten) {
      // Whoever follows it has to learn that it has ended; it stays at hand, since the database says that it runs.
      log(id, unwritten);
      this.#report(id, { state: 'failed', result: null, message: NOT_WRITTEN });
    }
  }
}

const STOPPED = { state: 'stopped', message: 'Stopped. Nothing was changed.' } as const;

function newLive(id: string, kind: string, isResumable: boolean, work: Work | undefined): Live {
  const job = { id, kind, state: 'running', progress: 0, message: null, result: null } as const;
  return { job, work, stop: new AbortController(), isResumable };
}

function failureMessage(error: unknown): string {
  if (isDiskFull(error)) return DISK_FULL.message;
  return error instanceof Problem ? error.message : 'This could not be finished. Nothing was changed; try again.';
}

function tooMany(): Problem {
  return new Problem(
    429,
    'Too much at once',
    `${MOST_WAITING.toLocaleString('en')} files and other jobs are waiting already. Nothing was started; wait until some are done, or stop some, and try again.`,
  );
}

const NOT_WRITTEN =
  'This was done, but its outcome could not be written down. What was saved before is safe; try again.';

function log(id: string, error: unknown): void {
  process.stderr.write(`Job ${id}: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
}
