import { spawnSync } from 'node:child_process';
import { closeSync, ftruncateSync, openSync, readFileSync, writeSync } from 'node:fs';
import { StartError } from './startError.ts';

/** Exit code where another holds it; tools that fail otherwise end with another. */
const HELD = 1;
/** Each takes the lock on descriptor 3 for the process that opened it; what one system lacks, another has. */
const TOOLS: readonly (readonly [string, readonly string[]])[] = [
  ['flock', ['-n', '-x', '3']],
  [
    'perl',
    ['-MFcntl=:flock', '-e', `open(my $f, '+<&=', 3) or exit 2; exit(flock($f, LOCK_EX | LOCK_NB) ? 0 : ${HELD})`],
  ],
];

/** Who holds a data folder, as it wrote into the lock file. */
export interface Holder {
  readonly pid: number;
  /** Where it is served, once it is. */
  readonly url?: string;
}

/**
 * The operating system's lock on a file (flock): held by one process at a time, on one machine and across its containers, and
 * let go by the system when that process ends, however it ends. The lock belongs to the opened file, so that a tool which is
 * handed the descriptor takes it for us; Node.js has no call for it.
 */
export class FolderLock {
  readonly #file: number;

  private constructor(file: number) {
    this.#file = file;
  }

  /** @throws StartError where another process holds it, or nothing on this system can take it */
  static take(path: string, folder: string): FolderLock {
    const file = openSync(path, 'a+');
    try {
      lockOrThrow(file, path, folder);
    } catch (error) {
      closeSync(file);
      throw error;
    }
    const lock = new FolderLock(file);
    lock.write({ pid: process.pid });
    return lock;
  }

  /** Writes down who holds it, for those who find it held. */
  write(holder: Holder): void {
    ftruncateSync(this.#file);
    writeSync(this.#file, JSON.stringify(holder), 0);
  }

  /** The file stays: one that was removed could be locked by two, each its own. */
  release(): void {
    ftruncateSync(this.#file);
    closeSync(this.#file);
  }
}

/** Who wrote into a lock file last; undefined where nobody holds it in order. */
export function holderOf(path: string): Holder | undefined {
  try {
    const written: unknown = JSON.parse(readFileSync(path, 'utf8'));
    return written as Holder;
  } catch {
    // Just opened, from a version that wrote otherwise, or not there.
    return undefined;
  }
}

function lockOrThrow(file: number, path: string, folder: string): void {
  for (const [tool, args] of TOOLS) {
    const { status, error } = spawnSync(tool, args, { stdio: ['ignore', 'ignore', 'ignore', file] });
    if (error) continue;
    if (status === 0) return;
    if (status === HELD) {
      const pid = holderOf(path)?.pid;
      throw new StartError(
        `The data folder ${folder} is in use by another Hevrel${pid === undefined ? '' : ` (process ${pid})`}. Stop that one, or choose another folder with --data DIR.`,
      );
    }
  }
  throw new StartError(
    `The data folder ${folder} could not be locked against other servers. Install flock (package util-linux) or perl, and use a disk that has locks.`,
  );
}
