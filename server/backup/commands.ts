import {
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import { parseArgs } from 'node:util';
import { OWN_HEADER, type Job } from '../../contract/index.ts';
import { LOCK_FILE } from '../store/dataFolder.ts';
import { holderOf } from '../store/folderLock.ts';
import { StartError } from '../store/startError.ts';
import { publish, syncPath, syncTree } from '../store/sync.ts';
import { openStudio, type Studio } from '../studio.ts';
import { Pool } from '../work/pool.ts';
import { BackupError, unpackBackup, writeBackup } from './archive.ts';
import { checkOf } from './checkOf.ts';
import type { CheckOutcome } from '../work/tasks.ts';

const POLL_MS = 300;

/** What is told of a check. */
type Told = Omit<CheckOutcome, 'unnamed'> & { readonly unnamed: number };

/** A command of the terminal: what it says is the result. @throws StartError, BackupError with a sentence */
type Command = (args: readonly string[]) => Promise<{ readonly text: string; readonly code?: number }>;

/** Writes a backup, of a studio that is served or of one that is not. */
export const backup: Command = async (args) => {
  const { to, data } = options(args, { to: 'FILE', data: 'DIR' });
  const file = resolve(to);
  if (existsSync(file))
    throw new BackupError(`${file} is there already. Nothing was written; choose another name with --to FILE.`);
  mkdirSync(dirname(file), { recursive: true });
  await withStudio(
    data,
    async (studio) => void (await writeBackup(studio, file)),
    async (url) => {
      const { href } = (await finished(url, '/backups')) as { href: string };
      const response = await fetch(url + href);
      if (!response.ok || !response.body)
        throw new BackupError(`The backup could not be fetched (${response.status}).`);
      const draft = `${file}.draft`;
      await pipeline(Readable.fromWeb(response.body as ReadableStream), createWriteStream(draft));
      await publish(draft, file);
    },
  );
  return { text: `The studio in ${resolve(data)} is backed up in ${file} (${megabytes(statSync(file).size)} MB).` };
};

/** Unpacks a backup into a data folder that holds nothing yet, and checks it. */
export const restore: Command = async (args) => {
  const { from, data } = options(args, { from: 'FILE', data: 'DIR' });
  const folder = resolve(data);
  if (existsSync(folder) && readdirSync(folder).length > 0)
    throw new BackupError(
      `${folder} holds something already. Nothing was changed; choose a new folder with --data DIR.`,
    );
  mkdirSync(dirname(folder), { recursive: true });
  const draft = mkdtempSync(`${folder}.draft-`);
  try {
    const madeAt = await unpackBackup(resolve(from), draft);
    rmSync(folder, { recursive: true, force: true });
    renameSync(draft, folder);
    syncTree(folder);
    syncPath(dirname(folder));
    const studio = await openStudio(folder);
    try {
      const { text, code } = told(await toldOf(studio));
      return { text: `The studio of ${madeAt} is restored in ${folder}. ${text}`, code };
    } finally {
      await studio.close();
    }
  } finally {
    rmSync(draft, { recursive: true, force: true });
  }
};

/** Reads all that a studio keeps and lists what is damaged. */
export const check: Command = async (args) => {
  const { data } = options(args, { data: 'DIR' });
  if (!existsSync(join(resolve(data), 'database')))
    throw new StartError(`There is no studio in ${resolve(data)}. Name its folder with --data DIR.`);
  return told(await withStudio(data, toldOf, async (url) => (await finished(url, '/checks')) as Told));
};

async function toldOf(studio: Studio): Promise<Told> {
  const outcome = await checkOf(studio);
  return { ...outcome, unnamed: outcome.unnamed.length };
}

function told({ seen, faults, unnamed }: Told): { text: string; code: number } {
  const counts = Object.entries(seen).map(([kind, count]) => `${count} ${kind}`);
  if (unnamed > 0) counts.push(`${unnamed} files that nothing names, which go after a day`);
  const text =
    faults.length === 0
      ? `All is sound: ${counts.join(', ') || 'it is empty'}.`
      : [
          `${faults.length} of what was looked at is damaged (${counts.join(', ')}):`,
          ...faults.map(({ what, wrong, help }) => `- ${what}. ${wrong} ${help}`),
        ].join('\n');
  return { text, code: faults.length === 0 ? 0 : 1 };
}

/** Works on a studio: in this process, or through the server that has it open. */
async function withStudio<T>(
  data: string,
  here: (studio: Studio) => Promise<T>,
  there: (url: string) => Promise<T>,
): Promise<T> {
  let studio: Studio;
  try {
    studio = await openStudio(data, { pool: new Pool() });
  } catch (error) {
    const url = holderOf(join(resolve(data), LOCK_FILE))?.url;
    if (!(error instanceof StartError) || url === undefined) throw error;
    return await there(url).catch((other: unknown) => {
      // Nobody answers there: the address was left by one that was killed, and why it cannot be opened is something else.
      throw other instanceof TypeError ? error : other;
    });
  }
  try {
    return await here(studio);
  } finally {
    await studio.close();
  }
}

/** Has the server do a job and waits for its result. */
async function finished(url: string, path: string): Promise<unknown> {
  const ask = async (method: string, to: string): Promise<Job> => {
    const response = await fetch(`${url}/api${to}`, { method, headers: OWN_HEADER });
    const answer = (await response.json()) as Job & { detail?: string };
    if (!response.ok) throw new BackupError(answer.detail ?? `Hevrel answered ${response.status}.`);
    return answer;
  };
  let job = await ask('POST', path);
  while (job.state === 'running') {
    await new Promise((wait) => setTimeout(wait, POLL_MS));
    job = await ask('GET', `/jobs/${job.id}`);
  }
  if (job.state !== 'done') throw new BackupError(job.message ?? 'It was stopped.');
  return job.result;
}

function options<K extends string>(args: readonly string[], names: Readonly<Record<K, string>>): Record<K, string> {
  const known = Object.entries<string>(names)
    .map(([name, what]) => `--${name} ${what}`)
    .join(' and ');
  let values: Record<string, unknown>;
  try {
    ({ values } = parseArgs({
      args: [...args],
      options: Object.fromEntries(Object.keys(names).map((name) => [name, { type: 'string' as const }])),
    }));
  } catch (error) {
    throw new StartError(
      `${error instanceof Error ? error.message.split('. ')[0] : String(error)}. The options are ${known}.`,
    );
  }
  const given = { data: './data', ...values } as Record<string, string>;
  const missing = Object.keys(names).find((name) => given[name] === undefined);
  if (missing !== undefined) throw new StartError(`--${missing} is missing. The options are ${known}.`);
  return given;
}

function megabytes(bytes: number): string {
  return (bytes / 1024 / 1024).toFixed(1);
}
