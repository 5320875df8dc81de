import type { Database } from './database.ts';

/** It is looked whether there is something to do so often, ms. */
const LOOK_MS = 30_000;
/** The log is written into the tables once it has so many bytes, and is not longer kept then. */
const LOG_BYTES = 8 * 1024 * 1024;
/** Room of what was replaced or removed is given back after so many looks at which something had been written. */
const VACUUM_LOOKS = 20;

/**
 * What a PostgreSQL server does beside its clients, and a single process has to be told: checkpoints, without which the log grows for
 * good, and vacuums, without which the tables do.
 */
export class Maintenance {
  readonly #database: Database;
  readonly #timer: ReturnType<typeof setInterval>;
  #position = '0/0';
  #looks = 0;

  /** @param besides what else is to be tidied up from time to time */
  constructor(database: Database, besides: () => Promise<void>) {
    this.#database = database;
    this.#timer = setInterval(() => {
      this.run()
        .then(besides)
        .catch((error: unknown) => {
          process.stderr.write(`The studio could not be tidied up: ${String(error)}\n`);
        });
    }, LOOK_MS);
    this.#timer.unref();
  }

  /** Does what is due. */
  async run(): Promise<void> {
    const { rows } = await this.#database.query<{ position: string; grown: number }>(
      `SELECT pg_current_wal_lsn()::text AS position, pg_wal_lsn_diff(pg_current_wal_lsn(), $1::pg_lsn)::float8 AS grown`,
      [this.#position],
    );
    const { position, grown } = rows[0] ?? { position: this.#position, grown: 0 };
    if (grown === 0) return;
    this.#looks += 1;
    if (this.#looks % VACUUM_LOOKS === 0) await this.#database.query('VACUUM ANALYZE');
    if (grown < LOG_BYTES && this.#looks % VACUUM_LOOKS !== 0) return;
    await this.#database.query('CHECKPOINT');
    this.#position = position;
  }

  stop(): void {
    clearInterval(this.#timer);
  }
}
