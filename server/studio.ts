import { join } from 'node:path';
import { writeBackup } from './backup/archive.ts';
import { Blobs } from './store/blobs.ts';
import { Database, SqlError } from './store/database.ts';
import { takeDataFolder, type DataFolder } from './store/dataFolder.ts';
import { Designs } from './store/designs.ts';
import { Jobs } from './store/jobs.ts';
import { clearDrafts, clearOldExports } from './store/leftovers.ts';
import { emptyBin } from './store/swatches.ts';
import { Maintenance } from './store/maintenance.ts';
import { Space } from './store/space.ts';
import { StartError } from './store/startError.ts';
import { HouseClient } from './print/houseClient.ts';
import { houseFolder, PrintHouse } from './printHouse/printHouse.ts';
import { Problem } from './problem.ts';
import { Pool } from './work/pool.ts';

/** Everything the routes work with. */
export interface Studio {
  readonly folder: DataFolder;
  readonly database: Database;
  readonly designs: Designs;
  readonly blobs: Blobs;
  readonly exports: string;
  readonly jobs: Jobs;
  readonly pool: Pool;
  readonly space: Space;
  /** The simulated print house, and what talks to it. */
  readonly printHouse: PrintHouse;
  readonly house: HouseClient;
  close(): Promise<void>;
}

/** What a studio may be opened with in place of its own. */
export interface StudioParts {
  readonly pool?: Pool;
  readonly space?: (folder: string) => Space;
  readonly printHouse?: (folder: string, pool: Pool) => PrintHouse;
}

/** Opens the studio kept in a folder; it closes the pool with itself. @throws StartError where the folder cannot be had */
export async function openStudio(
  path: string,
  { pool = new Pool(), space: spaceOf, printHouse: houseOf = openHouse }: StudioParts = {},
): Promise<Studio> {
  const folder = takeDataFolder(path);
  const space = spaceOf?.(folder.path) ?? new Space(folder.path);
  let database: Database | undefined;
  try {
    clearDrafts(folder);
    const opened = await openDatabase(folder, space, pool);
    database = opened;
    const jobs = new Jobs(opened);
    await jobs.closeAbandoned();
    const printHouse = houseOf(houseFolder(folder.path), pool);
    const maintenance = new Maintenance(opened, async () => {
      clearOldExports(folder.exports);
      await emptyBin(opened);
    });
    return {
      folder,
      database: opened,
      designs: new Designs(opened),
      blobs: new Blobs(folder.blobs),
      exports: folder.exports,
      jobs,
      pool,
      space,
      printHouse,
      house: new HouseClient(printHouse),
      async close() {
        maintenance.stop();
        await jobs.stopAll();
        await printHouse.close();
        await pool.close();
        await opened.close();
        folder.release();
      },
    };
  } catch (error) {
    await database?.close();
    folder.release();
    throw error;
  }
}

const openHouse = (folder: string, pool: Pool): PrintHouse => new PrintHouse(folder, pool);

/** @throws StartError with a sentence where the database cannot be used */
async function openDatabase(data: DataFolder, space: Space, pool: Pool): Promise<Database> {
  const { path, database: folder } = data;
  let database: Database;
  try {
    database = await Database.open(folder, space);
  } catch (error) {
    if (error instanceof Problem && error.status === 507)
      throw new StartError(`${error.message.replace('press Save again', 'start again')}`);
    throw new StartError(
      `The database in ${path} cannot be opened: its files are damaged, or were written by another version of PostgreSQL. Nothing was changed; restore a backup with “npm run restore”, or choose another folder with --data DIR.`,
    );
  }
  try {
    const [newer] = database.unknown;
    if (newer !== undefined)
      throw new StartError(
        `The data folder ${path} was written by a newer Hevrel (${newer}). Start that one, or choose another folder with --data DIR. Nothing was changed.`,
      );
    const [due] = database.due;
    // Migrations go one way: what they were given is kept.
    if (due !== undefined && database.isMigrated)
      await writeBackup(
        { folder: data, database, pool },
        join(data.backups, `before-${due.replace('.sql', '')}.tar.gz`),
      );
    await database.migrate();
    return database;
  } catch (error) {
    await database.close();
    if (error instanceof SqlError)
      throw new StartError(
        `The tables in ${path} could not be brought up to date (${reason(error)}). Nothing was changed; restore a backup with “npm run restore”, or choose another folder with --data DIR.`,
      );
    if (error instanceof StartError) throw error;
    throw new StartError(
      `The studio in ${path} has to be backed up before its tables are brought up to date, and could not be (${reason(error)}). Nothing was changed; mend that and start again.`,
    );
  }
}

function reason(error: unknown): string {
  return (error instanceof Error ? error.message : String(error)).split('\n')[0] ?? '';
}

/** Where a finished export lies until it is fetched. */
export function exportFile(studio: Pick<Studio, 'exports'>, job: string): string {
  return join(studio.exports, job);
}
