import { existsSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { mkdtemp } from 'node:fs/promises';
import { join } from 'node:path';
import { Problem } from '../problem.ts';
import { insertBackup } from '../store/backups.ts';
import { holdsAnything } from '../store/holdsAnything.ts';
import { removeTree } from '../store/trees.ts';
import type { Studio } from '../studio.ts';
import type { CheckOutcome } from '../work/tasks.ts';
import { writeBackup } from './archive.ts';
import { sweepFiles } from './sweepFiles.ts';

const LOOK_MS = 3600_000;
/** Begun so long after the start, when nobody waits for anything, ms. */
const FIRST_MS = 60_000;
const DAYS = 7;
const WEEKS = 4;
const DAY_MS = 86_400_000;
const NAME = /^(\d{4}-\d{2}-\d{2})\.tar\.gz$/;

/** A backup each day, beside the data folder: the newest seven and four weeks are kept, and each was read back once. */
export class DailyBackups {
  readonly #studio: Studio;
  readonly #timers: readonly NodeJS.Timeout[];

  constructor(studio: Studio) {
    this.#studio = studio;
    const look = (): void => {
      this.run(new Date()).catch((error: unknown) => {
        process.stderr.write(
          `The daily backup was not made: ${error instanceof Error ? error.message : String(error)}\n`,
        );
      });
    };
    this.#timers = [setTimeout(look, FIRST_MS), setInterval(look, LOOK_MS)];
    for (const timer of this.#timers) timer.unref();
  }

  /**
   * Makes the backup of a day unless it is there or the studio is empty still, and clears away those that are not kept any more.
   *
   * @returns its path
   */
  async run(now: Date): Promise<string> {
    const { folder, database } = this.#studio;
    const file = join(folder.backups, `${dayOf(now)}.tar.gz`);
    if (!existsSync(file) && (await holdsAnything(database))) {
      const backup = await writeBackup(this.#studio, file);
      const { unnamed } = await this.#readBack(file);
      await sweepFiles(this.#studio, unnamed, now.getTime());
      await insertBackup(database, { ...backup, kind: 'daily' });
    }
    if (!existsSync(folder.backups)) return file;
    const made = readdirSync(folder.backups).flatMap((name) => NAME.exec(name)?.[1] ?? []);
    const later = laterThan(made, now);
    if (later.length > 0)
      process.stderr.write(
        `In ${folder.backups} are backups of days to come (${later.join(', ')}): a clock was or is wrong. They are kept.\n`,
      );
    for (const day of expired(made, now)) rmSync(join(folder.backups, `${day}.tar.gz`), { force: true });
    return file;
  }

  stop(): void {
    for (const timer of this.#timers) clearTimeout(timer);
  }

  /** Opens a backup as if it were restored. @throws Error where it is damaged, and it is set aside; Problem where it could not be read to its end, and it goes */
  async #readBack(file: string): Promise<CheckOutcome> {
    const { folder, pool } = this.#studio;
    const draft = await mkdtemp(join(folder.backups, 'read-back-draft-'));
    try {
      const outcome = await pool.run({ kind: 'read-back', archive: file, folder: draft });
      const { faults } = outcome;
      for (const { what, wrong, help } of faults) process.stderr.write(`In ${file}: ${what}. ${wrong} ${help}\n`);
      // Other faults are those of the studio itself, which a backup is to keep as it is.
      if (faults.some(({ what }) => what === 'the database')) throw new Error(`${file} cannot be read back`);
      return outcome;
    } catch (error) {
      // Where the reading broke off, as when the server ends, nothing is known of it: another is made at the next look.
      if (error instanceof Problem) rmSync(file, { force: true });
      else renameSync(file, `${file}.damaged`);
      throw error;
    } finally {
      await removeTree(draft);
    }
  }
}

/** The days of backups that are later than now: they were made while a clock was wrong, or it is now. */
function laterThan(days: readonly string[], now: Date): string[] {
  const today = dayOf(now);
  return days.filter((day) => day > today);
}

/**
 * The days whose backups are not kept any more: all but the newest seven, however old these are, and the last of each of the newest
 * four weeks. Those later than now are kept and do not count, so that a clock that was wrong once costs no backup.
 *
 * @param days of the backups that are there, as YYYY-MM-DD
 */
export function expired(days: readonly string[], now: Date): string[] {
  const later = new Set(laterThan(days, now));
  const sorted = [...days]
    .filter((day) => !later.has(day))
    .sort()
    .reverse();
  const kept = new Set(sorted.slice(0, DAYS));
  const weeks = new Map<number, string>();
  // The epoch was a Thursday: weeks begin on Mondays.
  for (const day of sorted) {
    const week = Math.floor((Date.parse(day) / DAY_MS + 3) / 7);
    if (!weeks.has(week)) weeks.set(week, day);
  }
  for (const day of [...weeks.values()].slice(0, WEEKS)) kept.add(day);
  return sorted.filter((day) => !kept.has(day));
}

function dayOf(now: Date): string {
  return now.toISOString().slice(0, 10);
}
