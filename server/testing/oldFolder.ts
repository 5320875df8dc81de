import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { Blobs } from '../store/blobs.ts';
import { Database } from '../store/database.ts';
import { Space } from '../store/space.ts';
import { emptyFolder } from './emptyFolder.ts';

/** A picture as that version exported it: a PNG in base64. */
interface OldPicture {
  readonly width: number;
  readonly height: number;
  readonly png: string;
}

/** What an earlier version had written into its data folder, row by row and file by file. */
export interface OldContent {
  /** Of its documents. */
  readonly version: number;
  readonly migrations: readonly string[];
  readonly tables: Readonly<Record<string, readonly object[]>>;
  /** By address, in base64. */
  readonly blobs: Readonly<Record<string, string>>;
  readonly pictures: { readonly design: OldPicture; readonly swatch: OldPicture };
  readonly ids: { readonly design: string; readonly swatch: string };
}

/** The versions of the document whose folders are kept. */
export const OLD_VERSIONS = [1, 2, 3, 4];

export function oldContent(version: number): OldContent {
  return JSON.parse(readFileSync(new URL(`./folders/document-${version}.json`, import.meta.url), 'utf8')) as OldContent;
}

/** A data folder as that version left it. Whoever asks for it removes it. */
export async function oldFolder({ migrations, tables, blobs }: OldContent): Promise<string> {
  const folder = emptyFolder();
  const database = await Database.open(join(folder, 'database'), new Space(folder));
  const run = async (sql: string): Promise<void> => {
    // Statement by statement: none of them holds a semicolon of its own.
    for (const statement of sql.replace(/^\s*--.*$/gm, '').split(';'))
      if (statement.trim()) await database.query(statement);
  };
  await run('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
  await run('CREATE TABLE migrations (name text PRIMARY KEY, done_at timestamptz NOT NULL DEFAULT now())');
  for (const name of migrations) {
    await run(readFileSync(new URL(`../store/migrations/${name}`, import.meta.url), 'utf8'));
    await database.query('INSERT INTO migrations (name) VALUES ($1)', [name]);
  }
  await run('DELETE FROM studio');
  // Those that others refer to come first.
  for (const table of ['designs', ...Object.keys(tables).filter((name) => name !== 'designs')])
    await database.query(`INSERT INTO ${table} SELECT * FROM jsonb_populate_recordset(NULL::${table}, $1::jsonb)`, [
      JSON.stringify(tables[table]),
    ]);
  await database.close();
  const kept = new Blobs(join(folder, 'blobs'));
  for (const [address, content] of Object.entries(blobs)) {
    mkdirSync(dirname(kept.pathOf(address)), { recursive: true });
    writeFileSync(kept.pathOf(address), Buffer.from(content, 'base64'));
  }
  return folder;
}
