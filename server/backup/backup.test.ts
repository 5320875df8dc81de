import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Job } from '../../contract/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { Problem } from '../problem.ts';
import { BackupError, unpackBackup, writeBackup } from './archive.ts';
import { check, restore } from './commands.ts';
import { DailyBackups, expired } from './dailyBackups.ts';
import { removeFolder } from '../testing/folders.ts';

const BOX = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><path d="M0 0h9v9H0z"/></svg>';
const place = mkdtempSync(join(tmpdir(), 'hevrel-backup-'));
let hevrel: TestStudio;
let design: string;

beforeAll(async () => {
  hevrel = await openTestStudio();
  await hevrel.send('box.svg', BOX);
  const made = await hevrel.call('POST', '/designs', { name: '0', repeat: { width: 100, height: 100, step: SQUARE } });
  design = (made.body['design'] as { id: string }).id;
});
afterAll(async () => {
  const { backups } = hevrel.studio.folder;
  await hevrel.close();
  for (const folder of [place, backups]) removeFolder(folder);
});

describe('a backup', () => {
  const file = join(place, 'first.tar.gz');

  it('is fetched while the studio is worked on, and restored with all that was saved before it was asked for', async () => {
    let revision = 1;
    let isAsking = true;
    const saving = (async () => {
      while (isAsking) {
        const commands = [{ type: 'name', name: String(revision) }];
        const { body } = await hevrel.call('PATCH', `/designs/${design}`, {
          save: `save-no-${revision}`,
          revision,
          commands,
        });
        revision = body['revision'] as number;
      }
    })();
    await new Promise((resolve) => setTimeout(resolve, 100));
    const before = revision;
    const job = await hevrel.ended((await hevrel.call('POST', '/backups')).body as unknown as Job);
    isAsking = false;
    await saving;
    expect(job).toMatchObject({
      state: 'done',
      result: { fileName: expect.stringMatching(/^hevrel-.*\.tar\.gz$/) as unknown },
    });
    writeFileSync(file, Buffer.from(await (await hevrel.fetch(`/backups/${job.id}/file`)).arrayBuffer()));
    expect((await hevrel.call('GET', '/backups')).body).toMatchObject([{ kind: 'asked' }]);

    const folder = join(place, 'restored');
    const { text, code } = await restore(['--from', file, '--data', folder]);
    expect([text, code]).toEqual([expect.stringMatching(/^The studio of 2.* All is sound: 1 designs, 1 motifs/), 0]);
    const other = await openTestStudio({ folder });
    const there = (await other.call('GET', `/designs/${design}`)).body;
    expect(there['revision']).toBeGreaterThanOrEqual(before);
    expect((there['design'] as { name: string }).name).toBe(String((there['revision'] as number) - 1));
    expect((await other.call('GET', '/motifs')).body).toMatchObject({ total: 1 });
    // Nothing of its making is left.
    expect(readdirSync(hevrel.studio.folder.path).filter((name) => name.includes('-draft-'))).toEqual([]);
    await other.close();
  });

  it('that is damaged, is none, or would go over something is refused with a sentence, and nothing is left of it', async () => {
    const cut = join(place, 'cut.tar.gz');
    writeFileSync(cut, readFileSync(file));
    truncateSync(cut, 100_000);
    const none = join(place, 'none.tar.gz');
    writeFileSync(none, 'not a backup');
    for (const wrong of [cut, none, join(place, 'gone.tar.gz')])
      await expect(restore(['--from', wrong, '--data', join(place, 'unused')])).rejects.toThrow(
        /is not a backup of Hevrel, or is damaged .* Nothing was changed; choose another backup\.$/,
      );
    expect(readdirSync(place).filter((name) => name.startsWith('unused'))).toEqual([]);
    await expect(restore(['--from', file, '--data', place])).rejects.toThrow(
      /holds something already\. Nothing was changed/,
    );
    await expect(restore(['--from', file, '--date', 'x'])).rejects.toThrow(
      /The options are --from FILE and --data DIR\.$/,
    );
  });

  it('is not begun where the disk has no room for it', async () => {
    await expect(unpackBackup(join(place, 'gone'), join(place, 'new'))).rejects.toThrow(BackupError);
    expect(existsSync(join(place, 'new'))).toBe(false);
  });

  it('is made each day, read back, and kept for seven days and four weeks', async () => {
    const daily = new DailyBackups(hevrel.studio);
    daily.stop();
    const first = await daily.run(new Date('2026-11-02T12:00:00Z'));
    expect(await daily.run(new Date('2026-11-02T18:00:00Z'))).toBe(first);
    for (let day = 3; day <= 12; day += 1)
      writeFileSync(join(hevrel.studio.folder.backups, `2026-11-${String(day).padStart(2, '0')}.tar.gz`), '');
    await daily.run(new Date('2026-11-13T12:00:00Z'));
    expect(readdirSync(hevrel.studio.folder.backups).sort()).toEqual(
      ['07', '08', '09', '10', '11', '12', '13'].map((day) => `2026-11-${day}.tar.gz`),
    );
    expect((await hevrel.call('GET', '/backups')).body).toMatchObject([
      { kind: 'daily' },
      { kind: 'daily' },
      { kind: 'asked' },
    ]);
  });

  it('goes where it could not be read back to its end, and is set aside where it is damaged', async () => {
    const { studio } = hevrel;
    const place = studio.folder.backups;
    const daily = (error: Error): DailyBackups => {
      const run = (task: { kind: string }, context: never): unknown =>
        task.kind === 'read-back' ? Promise.reject(error) : studio.pool.run(task as never, context);
      const made = new DailyBackups(Object.create(studio, { pool: { value: { run } } }) as typeof studio);
      made.stop();
      return made;
    };
    const day = new Date('2026-11-14T12:00:00Z');
    await expect(daily(new Problem(422, 'Broken off', 'It broke off.')).run(day)).rejects.toThrow('It broke off.');
    expect(readdirSync(place).filter((name) => name.startsWith('2026-11-14'))).toEqual([]);
    await expect(daily(new Error('no label')).run(day)).rejects.toThrow('no label');
    expect(readdirSync(place).filter((name) => name.startsWith('2026-11-14'))).toEqual(['2026-11-14.tar.gz.damaged']);
  });

  it('is not made of a studio that is empty still', async () => {
    const empty = await openTestStudio();
    try {
      const daily = new DailyBackups(empty.studio);
      daily.stop();
      await daily.run(new Date('2026-11-02T12:00:00Z'));
      expect((await empty.call('GET', '/backups')).body).toEqual([]);
      await empty.call('POST', '/designs', { name: 'Kelp', repeat: { width: 60, height: 40, step: SQUARE } });
      await daily.run(new Date('2026-11-02T13:00:00Z'));
      expect((await empty.call('GET', '/backups')).body).toHaveLength(1);
    } finally {
      await empty.close();
      removeFolder(empty.studio.folder.backups);
    }
  });

  it('goes once seven newer ones are there, but for the last of each of four weeks; none goes by a wrong clock', () => {
    const now = new Date('2026-11-27T12:00:00Z');
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: -400, max: 400 })), (ages) => {
        const dayOf = (age: number): string => new Date(now.getTime() - age * 86_400_000).toISOString().slice(0, 10);
        const gone = new Set(expired(ages.map(dayOf), now));
        const kept = ages.filter((age) => !gone.has(dayOf(age)));
        // Those of days to come stay, and take no other's place.
        for (const age of ages.filter((days) => days < 0)) expect(kept).toContain(age);
        const past = ages.filter((age) => age >= 0).sort((a, b) => a - b);
        for (const age of past.slice(0, 7)) expect(kept).toContain(age);
        expect(kept.filter((age) => age >= 0).length).toBeLessThanOrEqual(11);
        // Those that stay are stable.
        expect(expired(kept.map(dayOf), now)).toEqual([]);
        // A year too late, and then right again.
        const late = new Date(now.getTime() + 365 * 86_400_000);
        const wrong = new Set(expired([...past.map(dayOf), dayOf(-365)], late));
        expect(past.filter((age) => !wrong.has(dayOf(age))).length).toBeGreaterThanOrEqual(Math.min(past.length, 6));
      }),
    );
  });
});

describe('the check', () => {
  it('finds all sound, then names each file that is damaged or gone, and what helps', async () => {
    const run = async (): Promise<{ faults: { what: string; wrong: string; help: string }[] }> =>
      (await hevrel.ended((await hevrel.call('POST', '/checks')).body as unknown as Job)).result as never;
    expect((await run()).faults).toEqual([]);
    const [motif] = (await hevrel.call('GET', '/motifs')).body['motifs'] as {
      name: string;
      artwork: string;
      thumbnail: string;
    }[];
    const { blobs } = hevrel.studio;
    truncateSync(blobs.pathOf(motif?.artwork ?? ''), 5);
    expect((await run()).faults).toEqual([
      {
        what: expect.stringMatching(/^the motif “box” \(.+\)$/i) as unknown,
        wrong: `It is damaged: its file ${motif?.artwork} is not what it was.`,
        help: 'Import the same file again, which mends it, or restore a backup.',
      },
    ]);
    rmSync(blobs.pathOf(motif?.thumbnail ?? ''));
    await hevrel.send('box.svg', BOX);
    expect((await run()).faults).toMatchObject([]);
  });

  it('says so where there is no studio', async () => {
    await expect(check(['--data', join(place, 'nowhere')])).rejects.toThrow(/There is no studio in/);
  });

  it('is told apart from what only a full disk keeps from being written', async () => {
    await expect(
      writeBackup(hevrel.studio, join(hevrel.studio.folder.path, 'in-use', 'x.tar.gz')),
    ).rejects.toMatchObject({ code: expect.stringMatching(/ENOTDIR|EEXIST/) as unknown });
  });
});
