import { cpSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Problem } from '../problem.ts';
import { openStudio } from '../studio.ts';
import { liveHeap } from '../testing/liveHeap.ts';
import { emptyFolder } from '../testing/emptyFolder.ts';
import { Database, SqlError } from './database.ts';
import { Space } from './space.ts';
import { StartError } from './startError.ts';
import { removeFolder } from '../testing/folders.ts';

let folder: string;
let database: Database;

beforeAll(async () => {
  folder = emptyFolder();
  database = await Database.open(join(folder, 'database'), new Space(folder), { query: 5000 });
  await database.query('CREATE TABLE tried (n integer)');
});
afterAll(async () => {
  await database.close();
  removeFolder(folder);
});

const tried = async (): Promise<number[]> =>
  (await database.query<{ n: number }>('SELECT n FROM tried ORDER BY n')).rows.map(({ n }) => n);

describe('the database', () => {
  it('answers with rows and the errors of statements, and keeps transactions whole', async () => {
    await database.transaction(async (transaction) => {
      await transaction.query('INSERT INTO tried VALUES ($1)', [1]);
      await transaction.query('INSERT INTO tried VALUES (2)');
    });
    const failed = database.transaction(async (transaction) => {
      await transaction.query('INSERT INTO tried VALUES (3)');
      await transaction.query('INSERT INTO nowhere VALUES (3)');
    });
    await expect(failed).rejects.toMatchObject({ constructor: SqlError, code: '42P01' });
    await expect(database.transaction(() => Promise.reject(new RangeError('ours')))).rejects.toThrow(RangeError);
    expect(await tried()).toEqual([1, 2]);
  });

  it('keeps nothing of what it has answered', async () => {
    const read = (): Promise<unknown> => database.query(`SELECT repeat('x', 200000) AS text`);
    for (let n = 0; n < 20; n += 1) await read();
    const before = liveHeap();
    for (let n = 0; n < 300; n += 1) await read();
    // All answers together are sixty megabytes.
    expect(liveHeap() - before).toBeLessThan(5_000_000);
  });

  it('waits its turn: what comes during a transaction is not part of it', async () => {
    const order: string[] = [];
    await Promise.all([
      database.transaction(async (transaction) => {
        await transaction.query('SELECT 1');
        await new Promise((resolve) => setTimeout(resolve, 50));
        await transaction.query('SELECT 1');
        order.push('transaction');
      }),
      database.query('SELECT 1').then(() => order.push('query')),
    ]);
    expect(order).toEqual(['transaction', 'query']);
  });

  it('that does not answer any more is started again, with all that was acknowledged; what waits goes on', async () => {
    const forever = 'SELECT count(*) FROM generate_series(1, 1000000000000) AS one';
    const stuck = database.transaction(async (transaction) => {
      await transaction.query('INSERT INTO tried VALUES (4)');
      await transaction.query(forever);
    });
    const waiting = tried();
    // Meanwhile the thread of the requests is free.
    const began = performance.now();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(performance.now() - began).toBeLessThan(1000);
    await expect(stuck).rejects.toMatchObject({ constructor: Problem, status: 503 });
    expect(await waiting).toEqual([1, 2]);
    await database.query('INSERT INTO tried VALUES (5)');
    expect(await tried()).toEqual([1, 2, 5]);
  });

  it('is copied as it is between two statements, into a folder that can be opened', async () => {
    const copy = join(folder, 'copy');
    await database.query('INSERT INTO tried VALUES (6)');
    await database.copyTo(copy);
    await database.query('INSERT INTO tried VALUES (7)');
    const other = await Database.open(copy, new Space(folder));
    expect((await other.query('SELECT n FROM tried WHERE n > 5')).rows).toEqual([{ n: 6 }]);
    await other.close();
  });

  it('is copied while statements go on, whole', async () => {
    const copy = join(folder, 'copy-of-busy');
    await database.query('CREATE TABLE busy (n integer, text text)');
    let isOver = false;
    let last = 0;
    const write = async (): Promise<void> => {
      for (let n = 1; !isOver; n += 1) {
        await database.query('INSERT INTO busy VALUES ($1, repeat($2, 500))', [n, 'kelp']);
        if (n % 40 === 0) await database.query('DELETE FROM busy WHERE n % 3 = 0');
        last = n;
      }
    };
    const writing = write();
    while (last < 60) await new Promise((wait) => setTimeout(wait, 5));
    const before = last;
    await database.copyTo(copy);
    const after = last + 1;
    isOver = true;
    await writing;
    const other = await Database.open(copy, new Space(folder));
    const { rows } = await other.query<{ n: number }>('SELECT n FROM busy ORDER BY n');
    await other.close();
    const newest = rows.at(-1)?.n ?? 0;
    expect(newest).toBeGreaterThanOrEqual(before - 1);
    expect(newest).toBeLessThanOrEqual(after);
    // None is missing but what was deleted.
    const cleared = rows.filter(({ n }) => n % 3 === 0)[0]?.n ?? newest;
    const expected = Array.from({ length: newest }, (_, n) => n + 1).filter((n) => n % 3 !== 0 || n >= cleared);
    expect(rows.map(({ n }) => n)).toEqual(expected);
  });
});

describe('a folder that cannot be opened', () => {
  it('of a newer version is refused with a sentence, and left as it is', async () => {
    const data = emptyFolder();
    const newer = await Database.open(join(data, 'database'), new Space(data));
    await newer.query(`INSERT INTO migrations (name) VALUES ('999-later.sql')`);
    await newer.close();
    const opening = openStudio(data);
    await expect(opening).rejects.toThrow(StartError);
    await expect(opening).rejects.toThrow(/was written by a newer Hevrel \(999-later\.sql\)\. Start that one, or/);
    // It is let go of.
    await expect(openStudio(data)).rejects.toThrow(/newer Hevrel/);
    removeFolder(data);
  });

  it('since its tables are not what they should be, is refused with a sentence', async () => {
    const data = emptyFolder();
    const broken = await Database.open(join(data, 'database'), new Space(data));
    await broken.query(`DELETE FROM migrations WHERE name = '007-saves.sql'`);
    await broken.close();
    await expect(openStudio(data)).rejects.toThrow(
      /^The tables in .* could not be brought up to date \(column .* already exists\)\. Nothing was changed;/,
    );
    removeFolder(data);
  });

  it('since its files are damaged, is refused with a sentence', async () => {
    const data = emptyFolder();
    cpSync(join(data, 'database'), join(data, 'kept'), { recursive: true });
    writeFileSync(join(data, 'database', 'global', 'pg_control'), 'not this');
    await expect(openStudio(data)).rejects.toThrow(
      /^The database in .* cannot be opened: its files are damaged, .* Nothing was changed;/,
    );
    removeFolder(data);
  });
});
