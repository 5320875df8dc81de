import { join } from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { openDatabase } from './store/database.ts';
import { Blobs } from './store/blobs.ts';
import { takeDataFolder, type DataFolder } from './store/dataFolder.ts';
import { Jobs } from './store/jobs.ts';
import { Pool } from './work/pool.ts';

/** Everything the routes work with. */
export interface Studio {
  readonly database: PGlite;
  readonly blobs: Blobs;
  readonly exports: string;
  readonly jobs: Jobs;
  readonly pool: Pool;
  close(): Promise<void>;
}

/** Opens the studio kept in a folder; it closes the pool with itself. @throws StartError where the folder cannot be had */
export async function openStudio(path: string, pool = new Pool()): Promise<Studio> {
  const folder: DataFolder = takeDataFolder(path);
  try {
    const database = await openDatabase(folder.database);
    const jobs = new Jobs(database);
    await jobs.closeAbandoned();
    return {
      database,
      blobs: new Blobs(folder.blobs),
      exports: folder.exports,
      jobs,
      pool,
      async close() {
        await jobs.stopAll();
        await pool.close();
        await database.close();
        folder.release();
      },
    };
  } catch (error) {
    folder.release();
    throw error;
  }
}

/** Where a finished export lies until it is fetched. */
export function exportFile(studio: Pick<Studio, 'exports'>, job: string): string {
  return join(studio.exports, `${job}.png`);
}
