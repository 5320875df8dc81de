import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { PGlite } from '@electric-sql/pglite';
import type { PostgresFiles } from './postgresFiles.ts';
import { syncTree } from './sync.ts';

// It runs as it is first compiled: its statements here are small, and optimising it takes a processor for seconds, at each start.
setFlagsFromString('--liftoff-only');

const MIGRATIONS = new URL('./migrations/', import.meta.url);

/** Switched on where the engine has them off (`-F` is off), or smaller than for a large server. */
const SETTINGS = {
  synchronous_commit: 'on',
  // The only method that the engine passes on to the file layer.
  wal_sync_method: 'fsync',
  min_wal_size: '32MB',
  max_wal_size: '64MB',
};

/**
 * Opens the embedded PostgreSQL, or creates it; a commit is on the disk when it is acknowledged.
 *
 * @param folder where it lives
 * @param files its file layer for that folder
 * @param isLasting whether it is to outlive a power cut; a copy that is only read need not, and opens sooner
 */
export async function openPostgres(folder: string, files: PostgresFiles, { isLasting = true } = {}): Promise<PGlite> {
  const isNew = !existsSync(join(folder, 'PG_VERSION'));
  const database = await PGlite.create({
    fs: files,
    startParams: [
      ...PGlite.defaultStartParams.filter((part) => part !== '-F'),
      ...Object.entries({ ...SETTINGS, fsync: isLasting ? 'on' : 'off' }).flatMap(([name, value]) => [
        '-c',
        `${name}=${value}`,
      ]),
    ],
  });
  await database.exec(
    'CREATE TABLE IF NOT EXISTS migrations (name text PRIMARY KEY, done_at timestamptz NOT NULL DEFAULT now())',
  );
  // What creates it does not wait for the disk.
  if (isNew && isLasting) syncTree(folder);
  return database;
}

/** How a database stands to this Hevrel. */
interface Migrations {
  /** Still to be done here, in order. */
  readonly due: readonly string[];
  /** Done here, and only a newer Hevrel knows them. */
  readonly unknown: readonly string[];
  /** How many were done here. */
  readonly done: number;
}

/** Migrations that are still to be done here, and those that only a newer Hevrel knows, in order. */
export async function compareMigrations(database: PGlite): Promise<Migrations> {
  const { rows } = await database.query<{ name: string }>('SELECT name FROM migrations ORDER BY name');
  const known = readdirSync(MIGRATIONS)
    .filter((name) => name.endsWith('.sql'))
    .sort();
  const done = rows.map(({ name }) => name);
  return {
    due: known.filter((name) => !done.includes(name)),
    unknown: done.filter((name) => !known.includes(name)),
    done: done.length,
  };
}

/** Brings the tables up to date; each migration is done whole or not at all. */
export async function migrate(database: PGlite, due: readonly string[]): Promise<void> {
  for (const name of due) {
    await database.transaction(async (transaction) => {
      await transaction.exec(readFileSync(new URL(name, MIGRATIONS), 'utf8'));
      await transaction.query('INSERT INTO migrations (name) VALUES ($1)', [name]);
    });
  }
}
