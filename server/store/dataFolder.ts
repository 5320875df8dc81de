import { accessSync, constants, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';

/** A start that cannot go on; the message is the whole sentence for the terminal. */
export class StartError extends Error {}

/** The folder that holds the database, the blobs and finished exports, held by one process at a time. */
export interface DataFolder {
  readonly path: string;
  readonly database: string;
  readonly blobs: string;
  readonly exports: string;
  release(): void;
}

/**
 * Makes the folder if need be and takes hold of it.
 *
 * @throws StartError where it cannot be written or another process holds it
 */
export function takeDataFolder(wished: string): DataFolder {
  const path = resolve(wished);
  const lock = join(path, 'in-use');
  try {
    mkdirSync(path, { recursive: true });
    accessSync(path, constants.W_OK);
  } catch (error) {
    throw new StartError(`Cannot write to the data folder ${path} (${reason(error)}). Choose another with --data DIR.`);
  }
  takeLock(lock, path);
  const folder = { path, database: join(path, 'database'), blobs: join(path, 'blobs'), exports: join(path, 'exports') };
  // Exports are downloads, made again in seconds; a new start begins without those that nobody fetched.
  rmSync(folder.exports, { recursive: true, force: true });
  for (const sub of [folder.blobs, folder.exports]) mkdirSync(sub, { recursive: true });
  return { ...folder, release: () => rmSync(lock, { force: true }) };
}

function takeLock(lock: string, path: string): void {
  const mine = `${process.pid} ${startOf(process.pid)}`;
  for (let tries = 0; tries < 2; tries += 1) {
    try {
      writeFileSync(lock, mine, { flag: 'wx' });
      return;
    } catch (error) {
      if (reason(error) !== 'EEXIST')
        throw new StartError(
          `Cannot write to the data folder ${path} (${reason(error)}). Choose another with --data DIR.`,
        );
    }
    const [pid, start] = readFileSync(lock, 'utf8').split(' ');
    if (isAlive(Number(pid)) && startOf(Number(pid)) === start) {
      throw new StartError(
        `The data folder ${path} is in use by another Hevrel (process ${pid}). Stop that one, or choose another folder with --data DIR.`,
      );
    }
    // Left behind by a process that was killed.
    rmSync(lock, { force: true });
  }
  throw new StartError(`The data folder ${path} was taken by another Hevrel just now.`);
}

function isAlive(pid: number): boolean {
  if (!(pid > 0)) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return reason(error) === 'EPERM';
  }
}

/** When the process began, where the system tells, so that a reused process number is not taken for the old one. */
function startOf(pid: number): string {
  const stat = `/proc/${pid}/stat`;
  // The name in brackets may hold blanks; field 22 counts from after it.
  return existsSync(stat) ? (readFileSync(stat, 'utf8').split(') ').at(-1)?.split(' ')[19] ?? '') : '';
}

function reason(error: unknown): string {
  return (error as NodeJS.ErrnoException).code ?? String(error);
}
