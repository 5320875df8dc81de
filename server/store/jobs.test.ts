import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Problem } from '../problem.ts';
import { emptyFolder } from '../testing/emptyFolder.ts';
import type { Job } from '../../contract/index.ts';
import { Database } from './database.ts';
import { type JobContext, Jobs } from './jobs.ts';
import { Space } from './space.ts';
import { removeFolder } from '../testing/folders.ts';

let database: Database;
let folder: string;
let jobs: Jobs;

beforeAll(async () => {
  folder = emptyFolder();
  database = await Database.open(join(folder, 'database'), new Space(folder));
  jobs = new Jobs(database);
});

afterAll(async () => {
  await database.close();
  removeFolder(folder);
});

async function statesOf(job: Job): Promise<Job[]> {
  const states: Job[] = [];
  for await (const state of jobs.follow(job.id, new AbortController().signal)) states.push(state);
  return states;
}

describe('a job', () => {
  it('whose outcome cannot be written down ends all the same, and says so', async () => {
    // Half a letter, which the database does not take.
    const job = await jobs.start('paint', () => Promise.resolve({ tile: 'whelk \ud83d' }));
    const last = (await statesOf(job)).at(-1);
    expect(last).toMatchObject({ state: 'failed', result: null });
    expect(last?.message).toMatch(/could not be written down/);
    expect(await jobs.read(job.id)).toMatchObject({ state: 'failed' });
    expect(await jobs.stop(job.id)).toMatchObject({ state: 'failed' });
  });

  it('tells everyone who follows how far it is, and keeps its result', async () => {
    let go = (): void => undefined;
    const job = await jobs.start('paint', async ({ progress }) => {
      await new Promise<void>((resolve) => (go = resolve));
      progress(0.25);
      progress(0.5);
      return { tile: 'x.png' };
    });
    const [one, two] = [statesOf(job), statesOf(job)];
    await new Promise((resolve) => setTimeout(resolve, 20));
    go();
    for (const states of await Promise.all([one, two])) {
      expect(states.map(({ progress }) => progress)).toEqual([0, 0.25, 0.5, 1]);
      expect(states.at(-1)).toMatchObject({ state: 'done', result: { tile: 'x.png' } });
    }
    expect(await jobs.read(job.id)).toMatchObject({ state: 'done', progress: 1, result: { tile: 'x.png' } });
  });

  it('fails with the sentence of a problem, and with a plain one for anything else', async () => {
    const told = await statesOf(
      await jobs.start('paint', () => Promise.reject(new Problem(422, 'Too large', 'That is too large.'))),
    );
    expect(told.at(-1)).toMatchObject({ state: 'failed', message: 'That is too large.' });
  });

  it('is stopped when it is asked to be, and says that nothing was changed', async () => {
    const job = await jobs.start(
      'paint',
      ({ signal }) =>
        new Promise((_resolve, reject) => signal.addEventListener('abort', () => reject(new Error('stopped')))),
    );
    expect(await jobs.stop(job.id)).toMatchObject({ state: 'stopped', message: 'Stopped. Nothing was changed.' });
    // Stopping what has ended changes nothing.
    expect(await jobs.stop(job.id)).toMatchObject({ state: 'stopped' });
  });

  it('that an ended process left running is closed with a sentence', async () => {
    await database.query(`INSERT INTO jobs (id, kind, state) VALUES ('left', 'paint', 'running')`);
    await new Jobs(database).closeAbandoned();
    expect(await jobs.read('left')).toMatchObject({
      state: 'failed',
      message: 'Hevrel was closed before this was done. Start it again.',
    });
  });

  it('that never was is not found', async () => {
    await expect(jobs.read('nowhere')).rejects.toMatchObject({ status: 404 });
  });

  it('no longer followed lets go of its follower', async () => {
    const closing = new Jobs(database);
    const job = await closing.start(
      'paint',
      ({ signal }) =>
        new Promise((_resolve, reject) => signal.addEventListener('abort', () => reject(new Error('stopped')))),
    );
    const leaving = new AbortController();
    const following = (async () => {
      for await (const state of closing.follow(job.id, leaving.signal)) void state;
    })();
    leaving.abort();
    await following;
    await closing.stopAll();
  });

  it('that says what it was asked for is started again after the server ended, and not for ever', async () => {
    const never = (): Promise<object> => new Promise(() => undefined);
    const job = await jobs.start('paint', never, { of: 'whelk' });
    const plain = await jobs.start('paint', never);
    for (let start = 0; start < 3; start += 1) {
      const next = new Jobs(database);
      await next.closeAbandoned();
      expect((await next.read(plain.id)).state).toBe('failed');
      const asked: unknown[] = [];
      const work = (request: unknown) => {
        asked.push(request);
        return never;
      };
      next.register('paint', work);
      await next.resume();
      await new Promise((begun) => setTimeout(begun, 20));
      // The third time it has had its chances.
      expect(asked).toEqual(start < 2 ? [{ of: 'whelk' }] : []);
      expect((await next.read(job.id)).state).toBe(start < 2 ? 'running' : 'failed');
    }
  });

  it('that is stopped because the server ends is started again; one that a person stopped is not', async () => {
    const untilStopped = ({ signal }: JobContext): Promise<object> =>
      new Promise((_, reject) => signal.addEventListener('abort', () => reject(new Error('stopped'))));
    const closing = new Jobs(database);
    const kept = await closing.start('print', untilStopped, { n: 1 });
    const stopped = await closing.start('print', untilStopped, { n: 2 });
    expect((await closing.stop(stopped.id)).state).toBe('stopped');
    await closing.stopAll();
    const next = new Jobs(database);
    await next.closeAbandoned();
    next.register('print', () => () => Promise.resolve({ made: true }));
    await next.resume();
    for await (const state of next.follow(kept.id, new AbortController().signal))
      if (state.state !== 'running') expect(state).toMatchObject({ state: 'done', result: { made: true } });
    expect((await next.read(stopped.id)).state).toBe('stopped');
  });

  it('begin once: what was begun before the last process’s are taken up again goes on as it is', async () => {
    let begun = 0;
    let end = (): void => undefined;
    const work = (): Promise<object> => {
      begun += 1;
      return new Promise((resolve) => (end = () => resolve({})));
    };
    const starting = jobs.start('twice', work, { order: 1 });
    jobs.register('twice', () => work);
    await jobs.resume();
    const job = await starting;
    await jobs.resume();
    expect(begun).toBe(1);
    end();
    await statesOf(job);
    expect(await jobs.read(job.id)).toMatchObject({ state: 'done' });
  });

  it('waits for its turn as a row where others of its kind are under way, and is made from what was asked for', async () => {
    const ends: (() => void)[] = [];
    let underWay = 0;
    let most = 0;
    const asked: unknown[] = [];
    const work = async (): Promise<object> => {
      underWay += 1;
      most = Math.max(most, underWay);
      await new Promise<void>((resolve) => ends.push(resolve));
      underWay -= 1;
      return {};
    };
    jobs.register('queued', (request) => {
      asked.push(request);
      return work;
    });
    const all: Job[] = [];
    for (let n = 0; n < 9; n += 1) all.push(await jobs.start('queued', work, { n }));
    const stopped = all[6] as Job;
    expect(await jobs.stop(stopped.id)).toMatchObject({ state: 'stopped' });
    const outcomes = all.map((job) => statesOf(job));
    const ending = setInterval(() => ends.shift()?.(), 5);
    const last = (await Promise.all(outcomes)).map((states) => states.at(-1)?.state);
    clearInterval(ending);
    expect(last).toEqual(all.map(({ id }) => (id === stopped.id ? 'stopped' : 'done')));
    expect(most).toBe(4);
    expect(asked).toEqual([{ n: 4 }, { n: 5 }, { n: 7 }, { n: 8 }]);
  });

  it('is refused with a sentence where a thousand wait, and a server that ends leaves those that wait as rows', async () => {
    const next = new Jobs(database);
    const untilStopped = ({ signal }: JobContext): Promise<object> =>
      new Promise((_, reject) => signal.addEventListener('abort', () => reject(new Error('stopped'))));
    next.register('many', () => untilStopped);
    await database.query(
      `INSERT INTO jobs (id, kind, state, request, attempts) SELECT 'many-' || n, 'many', 'running', '{}', 0 FROM generate_series(1, 1000) AS n`,
    );
    await next.resume();
    // Four of them are under way, so that four more may wait.
    await expect
      .poll(
        async () => (await database.query(`SELECT 1 FROM jobs WHERE kind = 'many' AND begun_at IS NULL`)).rows.length,
      )
      .toBe(996);
    for (let n = 0; n < 4; n += 1) await next.start('many', untilStopped, {});
    await expect(next.start('many', untilStopped, {})).rejects.toMatchObject({ status: 429 });
    // Other kinds have their own turns.
    const other = await next.start('other', () => Promise.resolve({}));
    for await (const state of next.follow(other.id, new AbortController().signal)) void state;
    expect((await next.read(other.id)).state).toBe('done');
    const began = performance.now();
    await next.stopAll();
    expect(performance.now() - began).toBeLessThan(10_000);
    const { rows } = await database.query<{ state: string }>(`SELECT DISTINCT state FROM jobs WHERE kind = 'many'`);
    expect(rows).toEqual([{ state: 'running' }]);
  });
});
