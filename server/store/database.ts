import { Mutex } from 'async-mutex';
import type { Remote } from 'comlink';
import { Problem } from '../problem.ts';
import { WorkerThread } from '../threads/workerThread.ts';
import type { Desk, Outcome } from './databaseWorker.ts';
import { copyTree } from './trees.ts';
import { DISK_FULL_CODE, type Space } from './space.ts';

/** Anything that takes SQL: the database or a transaction on it. */
export interface Queries {
  query<T>(sql: string, parameters?: unknown[]): Promise<{ rows: T[] }>;
}

/** A thread that has not answered by then never will, ms. Opening replays what a cut left in the log. */
const PATIENCE = { open: 120_000, query: 30_000, copy: 600_000 };

/** A statement that PostgreSQL refused. */
export class SqlError extends Error {
  constructor(
    /** SQLSTATE. */
    readonly code: string,
    message: string,
  ) {
    super(message);
  }
}

/** A database that runs statements, alone or together. */
export interface Store extends Queries {
  transaction<T>(work: (transaction: Queries) => Promise<T>): Promise<T>;
}

/**
 * The embedded PostgreSQL, in a thread of its own: what keeps it busy does not keep requests waiting, and where it ends or does
 * not answer any more, the thread is ended and the next call begins another.
 */
export class Database implements Store {
  readonly #folder: string;
  readonly #space: Space;
  readonly #turn = new Mutex();
  readonly #patience: typeof PATIENCE;
  #thread: WorkerThread<Desk> | undefined;
  #isClosed = false;
  /** Migrations that are still to be done, as the last opening found. */
  #due: readonly string[] = [];
  #unknown: readonly string[] = [];
  #isMigrated = false;

  private constructor(folder: string, space: Space, patience: Partial<typeof PATIENCE>) {
    this.#folder = folder;
    this.#space = space;
    this.#patience = { ...PATIENCE, ...patience };
  }

  /**
   * Opens it, or creates it.
   *
   * @param folder where it lives
   * @throws Problem where it cannot be opened
   */
  static async open(folder: string, space: Space, patience: Partial<typeof PATIENCE> = {}): Promise<Database> {
    const database = new Database(folder, space, patience);
    await database.#turn.runExclusive(() => database.#running());
    return database;
  }

  /** Migrations that are to be done before it is used, by name. */
  get due(): readonly string[] {
    return this.#due;
  }

  /** Whether migrations were done here before: it is not new. */
  get isMigrated(): boolean {
    return this.#isMigrated;
  }

  /** Migrations that were done here and that this Hevrel does not know: a newer one wrote the folder. */
  get unknown(): readonly string[] {
    return this.#unknown;
  }

  /** Does the migrations that are due. @throws SqlError where one of them fails; it is not done then, nor are those after it */
  async migrate(): Promise<void> {
    await this.#turn.runExclusive(() => this.#ask((desk) => desk.migrate(this.#due), this.#patience.copy));
    this.#due = [];
  }

  query<T>(sql: string, parameters: unknown[] = []): Promise<{ rows: T[] }> {
    return this.#turn.runExclusive(() => this.#query<T>(sql, parameters));
  }

  /** Runs statements that are done together or not at all. */
  transaction<T>(work: (transaction: Queries) => Promise<T>): Promise<T> {
    return this.#turn.runExclusive(async () => {
      await this.#query('BEGIN', []);
      const thread = this.#thread;
      try {
        const result = await work({
          query: <R>(sql: string, parameters: unknown[] = []) => {
            // A thread that was begun meanwhile knows nothing of this transaction.
            if (this.#thread !== thread) throw restarted();
            return this.#query<R>(sql, parameters);
          },
        });
        if (this.#thread !== thread) throw restarted();
        await this.#query('COMMIT', []);
        return result;
      } catch (error) {
        if (this.#thread === thread) await this.#rollBack();
        throw error;
      }
    });
  }

  /**
   * Copies the database as it is once this is done into a new folder, which can be opened like it. Most of it is copied while
   * statements go on; they wait only for what these have changed.
   */
  async copyTo(folder: string): Promise<void> {
    const copied = await copyTree(this.#folder, folder);
    await this.#turn.runExclusive(() => this.#ask((desk) => desk.completeCopy(folder, copied), this.#patience.copy));
  }

  async close(): Promise<void> {
    await this.#turn.runExclusive(async () => {
      this.#isClosed = true;
      if (!this.#thread) return;
      try {
        await this.#ask((desk) => desk.close(), this.#patience.query);
      } finally {
        await this.#end();
      }
    });
  }

  /** Takes back what a transaction has done so far; where that fails, the thread is ended, which does it too. */
  async #rollBack(): Promise<void> {
    try {
      await this.#query('ROLLBACK', []);
    } catch (error) {
      // What the transaction failed with is told, not this.
      process.stderr.write(`A transaction could not be rolled back: ${String(error)}\n`);
      await this.#end();
    }
  }

  async #query<T>(sql: string, parameters: readonly unknown[]): Promise<{ rows: T[] }> {
    return { rows: (await this.#ask((desk) => desk.query(sql, parameters), this.#patience.query)) as T[] };
  }

  /** @throws SqlError where the statement was refused; Problem (503, 507) where the engine ended or did not answer */
  async #ask<T>(work: (desk: Remote<Desk>) => Promise<Outcome<T>>, patience: number): Promise<T> {
    return this.#answer(await this.#running(), work, patience);
  }

  async #answer<T>(
    thread: WorkerThread<Desk>,
    work: (desk: Remote<Desk>) => Promise<Outcome<T>>,
    patience: number,
  ): Promise<T> {
    let outcome: Outcome<T>;
    try {
      outcome = await thread.ask(work, patience);
    } catch (error) {
      outcome = { broken: String(error) };
    }
    if ('value' in outcome) return outcome.value;
    if ('refused' in outcome) {
      const { code, message } = outcome.refused;
      if (code === DISK_FULL_CODE) throw await this.#space.full();
      throw new SqlError(code, message);
    }
    await this.#end();
    // What ended it may well be that nothing can be written any more.
    await this.#space.require();
    process.stderr.write(`The database ended, and is started again when it is next asked: ${outcome.broken}\n`);
    throw restarted();
  }

  /** The thread, begun where there is none, or where it has ended. */
  async #running(): Promise<WorkerThread<Desk>> {
    if (this.#thread && !this.#thread.hasEnded) return this.#thread;
    if (this.#isClosed) throw new Problem(503, 'Closed', 'Hevrel is closing. What was saved is safe.');
    const thread = new WorkerThread<Desk>(new URL('./startDatabase.mjs', import.meta.url), {
      workerData: { folder: this.#folder },
    });
    this.#thread = thread;
    const { due, unknown, done } = await this.#answer(thread, (desk) => desk.open(), this.#patience.open);
    this.#due = due;
    this.#unknown = unknown;
    this.#isMigrated = done > 0;
    return thread;
  }

  async #end(): Promise<void> {
    const thread = this.#thread;
    this.#thread = undefined;
    await thread?.end();
  }
}

function restarted(): Problem {
  return new Problem(
    503,
    'The database was started again',
    'The database ended unexpectedly and was started again. What was saved before is safe; try this once more.',
  );
}
