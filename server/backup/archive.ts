import { mkdir, mkdtemp, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import { create, extract, list } from 'tar';
import { object, string } from 'yup';
import type { JobContext } from '../store/jobs.ts';
import { DRAFT_MARK } from '../store/blobs.ts';
import { Space } from '../store/space.ts';
import { publish } from '../store/sync.ts';
import { linkTree, removeTree, sizeOfTree } from '../store/trees.ts';
import type { Database } from '../store/database.ts';
import type { DataFolder } from '../store/dataFolder.ts';
import type { Pool } from '../work/pool.ts';

/** Says what an archive is, as its first entry. */
const LABEL = 'hevrel-backup.json';
/** What a backup holds. */
const PARTS = ['database', 'blobs'] as const;

const labelSchema = object({ format: string().oneOf(['hevrel-backup-1']).required(), madeAt: string().required() });

/** What is backed up, and what does the work. */
interface Kept {
  readonly folder: DataFolder;
  readonly database: Database;
  readonly pool: Pool;
}

/** A studio's database and files as they were at one moment, in one file. */
export interface Backup {
  /** ISO 8601. */
  readonly madeAt: string;
  readonly bytes: number;
}

/** A file that is no backup, or a folder that it cannot be restored to; the message is a sentence. */
export class BackupError extends Error {}

/**
 * Writes a backup while the studio goes on being used: the database as it is between two statements, and every file that it names.
 *
 * @param to the archive: a tar, packed with gzip; it appears whole or not at all
 * @throws Problem (507) where the disk has too little room
 */
export async function writeBackup({ folder, database, pool }: Kept, to: string, context?: JobContext): Promise<Backup> {
  await mkdir(dirname(to), { recursive: true });
  const size = (await sizeOfTree(folder.database)) + (await sizeOfTree(folder.blobs));
  await new Space(dirname(to)).require(size);
  const draft = await mkdtemp(join(folder.path, 'backup-draft-'));
  const madeAt = new Date().toISOString();
  try {
    await database.copyTo(join(draft, 'database'));
    // Kept files never change.
    await linkTree(folder.blobs, join(draft, 'blobs'), (name) => !name.includes(DRAFT_MARK));
    await writeFile(join(draft, LABEL), JSON.stringify({ format: 'hevrel-backup-1', madeAt }));
    const { bytes } = await pool.run(
      { kind: 'archive', folder: draft, file: `${to}${DRAFT_MARK}`, parts: [LABEL, ...PARTS] },
      context,
    );
    await publish(`${to}${DRAFT_MARK}`, to);
    return { madeAt, bytes };
  } catch (error) {
    await rm(`${to}${DRAFT_MARK}`, { force: true });
    throw error;
  } finally {
    await removeTree(draft);
  }
}

/** Packs parts of a folder into one file. To be called in a process of the pool. */
export async function packFolder({
  folder,
  file,
  parts,
}: {
  readonly folder: string;
  readonly file: string;
  readonly parts: readonly string[];
}): Promise<{ bytes: number }> {
  // Fast rather than small: most of it is pictures, which are packed already.
  await create({ cwd: folder, file, gzip: { level: 3 }, portable: true, strict: true }, [...parts]);
  return { bytes: (await stat(file)).size };
}

/**
 * Unpacks a backup into a folder, which is made.
 *
 * @returns when the backup was made
 * @throws BackupError where it is none, or is damaged; Problem (507) where the disk has too little room
 */
export async function unpackBackup(from: string, folder: string): Promise<string> {
  const bytes = await unpackedSize(from).catch((error: unknown) => {
    throw noBackup(from, error);
  });
  await mkdir(folder, { recursive: true });
  await new Space(folder).require(bytes);
  try {
    // Entries that lead out of the folder, and links, are refused.
    await extract({
      file: from,
      cwd: folder,
      strict: true,
      filter: (_path, entry) => !('type' in entry) || entry.type === 'File' || entry.type === 'Directory',
    });
    const { madeAt } = labelSchema.validateSync(JSON.parse(await readFile(join(folder, LABEL), 'utf8')));
    for (const part of PARTS) await stat(join(folder, part));
    // What every database has, so that an archive of empty folders is not taken for a studio.
    await stat(join(folder, 'database', 'PG_VERSION'));
    await rm(join(folder, LABEL));
    return madeAt;
  } catch (error) {
    await removeTree(folder);
    throw noBackup(from, error);
  }
}

function noBackup(from: string, error: unknown): BackupError {
  const reason = error instanceof Error ? error.message.split('\n')[0] : String(error);
  return new BackupError(
    `“${resolve(from)}” is not a backup of Hevrel, or is damaged (${reason}). Nothing was changed; choose another backup.`,
  );
}

/** What an archive unpacks into, bytes. @throws Error where it cannot be read to its end, or does not begin with our label */
async function unpackedSize(from: string): Promise<number> {
  let bytes = 0;
  let first: string | undefined;
  await list({
    file: from,
    strict: true,
    onReadEntry: ({ path, size }) => {
      first ??= path;
      bytes += size;
    },
  });
  if (first !== LABEL) throw new Error('it does not begin with what a backup begins with');
  return bytes;
}
