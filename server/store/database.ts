import { readdirSync, readFileSync } from 'node:fs';
import { PGlite, type Transaction } from '@electric-sql/pglite';

/** Anything that takes SQL: the database or a transaction on it. */
export type Queries = PGlite | Transaction;

const MIGRATIONS = new URL('./migrations/', import.meta.url);

/**
 * Opens the embedded PostgreSQL and brings its tables up to date.
 *
 * @param folder where it lives
 */
export async function openDatabase(folder: string): Promise<PGlite> {
  const database = await PGlite.create(folder);
  await database.exec(
    'CREATE TABLE IF NOT EXISTS migrations (name text PRIMARY KEY, done_at timestamptz NOT NULL DEFAULT now())',
  );
  const { rows } = await database.query<{ name: string }>('SELECT name FROM migrations');
  const done = new Set(rows.map(({ name }) => name));
  const files = readdirSync(MIGRATIONS).filter((name) => name.endsWith('.sql') && !done.has(name));
  for (const name of files.sort()) {
    await database.transaction(async (transaction) => {
      await transaction.exec(readFileSync(new URL(name, MIGRATIONS), 'utf8'));
      await transaction.query('INSERT INTO migrations (name) VALUES ($1)', [name]);
    });
  }
  return database;
}
