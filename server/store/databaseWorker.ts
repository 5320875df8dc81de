import { parentPort, workerData, type MessagePort } from 'node:worker_threads';
import type { PGlite } from '@electric-sql/pglite';
import { expose } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { compareMigrations, migrate, openPostgres } from './postgres.ts';
import { completeCopy, type CopiedFiles } from './trees.ts';
import { PostgresFiles } from './postgresFiles.ts';

/** What came of a call: its value; an error of the statement, after which all goes on; or the end of the engine. */
export type Outcome<T> = { readonly value: T } | { readonly refused: Refusal } | { readonly broken: string };

/** An error that PostgreSQL answered with. */
export interface Refusal {
  /** SQLSTATE, such as 53100 for a full disk. */
  readonly code: string;
  readonly message: string;
}

const { folder } = workerData as { readonly folder: string };
let opened: PGlite | undefined;

function database(): PGlite {
  if (!opened) throw new Error('the database is not open');
  return opened;
}

async function outcome<T>(work: () => Promise<T>): Promise<Outcome<T>> {
  try {
    return { value: await work() };
  } catch (error) {
    const { code, message } = error as { code?: unknown; message?: unknown };
    // Anything that has no SQLSTATE comes from the engine, not from the statement.
    return typeof code === 'string' && /^[0-9A-Z]{5}$/.test(code)
      ? { refused: { code, message: String(message) } }
      : { broken: String(error).split('\n')[0] ?? '' };
  }
}

/** What the database's thread does for the server. One call at a time: PostgreSQL runs as a single process here. */
const desk = {
  /** Opens it and says which migrations are due, and which only a newer Hevrel knows. */
  open: () =>
    outcome(async () => {
      opened = await openPostgres(folder, new PostgresFiles(folder));
      return compareMigrations(opened);
    }),
  migrate: (due: readonly string[]) => outcome(() => migrate(database(), due)),
  query: (sql: string, parameters: readonly unknown[]) =>
    outcome(async () => (await database().query(sql, [...parameters])).rows),
  /** Brings a copy of the folder up to date, as it is between two statements, with nothing left in the log that the files lack. */
  completeCopy: (copy: string, copied: CopiedFiles) =>
    outcome(async () => {
      await database().query('CHECKPOINT');
      completeCopy(folder, copy, copied);
    }),
  close: () => outcome(async () => opened?.close()),
};

export type Desk = typeof desk;

expose(desk, nodeEndpoint(parentPort as MessagePort));
