import { statfs } from 'node:fs/promises';
import { Problem } from '../problem.ts';

/** PostgreSQL's code for a full disk. */
export const DISK_FULL_CODE = '53100';
const MB = 1024 * 1024;
/** Left free for what has to be written to end in order: the database's log, and a copy of it. */
const RESERVE_BYTES = 64 * MB;
/** A measurement holds so long, ms: saves come faster than disks fill, for the reserve is larger than what is written in that time. */
const HOLDS_MS = 250;

/** How much a disk has left, bytes. */
type Measure = (folder: string) => Promise<number>;

const measureFree: Measure = async (folder) => {
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
};

/** How it is judged; each has a default. */
interface SpaceRules {
  /** Bytes that are always left free. */
  readonly reserve?: number | undefined;
  readonly measure?: Measure;
  /** For how many ms a measurement holds. */
  readonly holdsMs?: number;
}

/** The room on the disk that the data folder lies on. */
export class Space {
  readonly #reserve: number;
  readonly #measure: Measure;
  readonly #holdsMs: number;
  #free = 0;
  #at = Number.NEGATIVE_INFINITY;

  /**
   * @param folder on the disk that is meant
   */
  constructor(
    readonly folder: string,
    { reserve = RESERVE_BYTES, measure = measureFree, holdsMs = HOLDS_MS }: SpaceRules = {},
  ) {
    this.#reserve = reserve;
    this.#measure = measure;
    this.#holdsMs = holdsMs;
  }

  /**
   * Checks that so many bytes can be written and the reserve is left.
   *
   * @throws Problem (507) with a sentence where they cannot
   */
  async require(bytes = 0): Promise<void> {
    if (performance.now() - this.#at > this.#holdsMs) await this.#look();
    if (this.#free < this.#reserve + bytes) throw this.#problem(bytes);
  }

  /** The problem that the disk is full, where that was found by writing. */
  async full(): Promise<Problem> {
    await this.#look();
    return this.#problem(0);
  }

  async #look(): Promise<void> {
    this.#free = await this.#measure(this.folder);
    this.#at = performance.now();
  }

  #problem(bytes: number): Problem {
    const left = `${Math.floor(this.#free / MB)} MB left in ${this.folder}`;
    return new Problem(
      507,
      'The disk is full',
      bytes > 0 && this.#free >= this.#reserve
        ? `The disk has too little room for this: ${left}, and ${Math.ceil(bytes / MB)} MB are needed besides a reserve. Nothing was lost; free some space and try again.`
        : `The disk is full: ${left}. Nothing was lost; free some space and press Save again.`,
    );
  }
}

/** Where it is not known how much is left, or where. */
export const DISK_FULL = new Problem(
  507,
  'The disk is full',
  'The disk is full. Nothing was lost; free some space and try again.',
);

/** Whether an error of a file says that its disk is full, or that its owner may have no more of it. */
export function isDiskFull(error: unknown): boolean {
  const { code, message } = (error ?? {}) as NodeJS.ErrnoException;
  // Engines that write files themselves tell it in words.
  return code === 'ENOSPC' || code === 'EDQUOT' || /\bENOSPC\b|no space left/i.test(String(message ?? ''));
}
