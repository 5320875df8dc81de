import { accessSync, constants, mkdirSync, rmSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { clearDraftFolder, draftsBeside } from './drafts.ts';
import { FolderLock } from './folderLock.ts';
import { isDiskFull } from './space.ts';
import { StartError } from './startError.ts';

/** The folder that holds the database, the blobs and finished exports, held by one process at a time. */
export interface DataFolder {
  readonly path: string;
  readonly database: string;
  readonly blobs: string;
  readonly exports: string;
  /** What is not finished: bodies under way, and what processes make of them. */
  readonly drafts: string;
  /** Beside it where that can be, since what is kept within is lost with it. */
  readonly backups: string;
  readonly lock: FolderLock;
  release(): void;
}

/** The file whose lock says that the folder is in use. */
export const LOCK_FILE = 'in-use';

/**
 * Makes the folder if need be and takes hold of it.
 *
 * @throws StartError where it cannot be written or another process holds it
 */
export function takeDataFolder(wished: string): DataFolder {
  const path = resolve(wished);
  let lock: FolderLock;
  try {
    mkdirSync(path, { recursive: true });
    accessSync(path, constants.W_OK);
    lock = FolderLock.take(join(path, LOCK_FILE), path);
  } catch (error) {
    throw error instanceof StartError ? error : unwritable(path, error);
  }
  const folder = {
    path,
    database: join(path, 'database'),
    blobs: join(path, 'blobs'),
    exports: join(path, 'exports'),
    drafts: draftsBeside(join(path, 'blobs')),
    backups: backupsOf(path),
  };
  try {
    // Exports are downloads, made again in seconds; a new start begins without those that nobody fetched.
    rmSync(folder.exports, { recursive: true, force: true });
    clearDraftFolder(folder.drafts);
    for (const sub of [folder.blobs, folder.exports]) mkdirSync(sub, { recursive: true });
  } catch (error) {
    lock.release();
    throw unwritable(path, error);
  }
  return { ...folder, lock, release: () => lock.release() };
}

/** Beside the folder where something can be written there, within it otherwise. */
function backupsOf(path: string): string {
  try {
    accessSync(dirname(path), constants.W_OK);
    return `${path}-backups`;
  } catch {
    return join(path, 'backups');
  }
}

function unwritable(path: string, error: unknown): StartError {
  if (isDiskFull(error))
    return new StartError(
      `The disk is full: nothing can be written to the data folder ${path}. Nothing was lost; free some space and start again.`,
    );
  const { code } = error as NodeJS.ErrnoException;
  return new StartError(
    `Cannot write to the data folder ${path} (${code ?? String(error)}). Choose another with --data DIR.`,
  );
}
