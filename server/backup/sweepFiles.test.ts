import { statSync, utimesSync } from 'node:fs';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { checkOf } from './checkOf.ts';
import { sweepFiles } from './sweepFiles.ts';

const HOUR_MS = 3600_000;
let hevrel: TestStudio;
beforeAll(async () => {
  hevrel = await openTestStudio();
});
afterAll(() => hevrel.close());

describe('files that nothing names', () => {
  it('are counted by the check, and go after a day; those of motifs, with all that they lead to, stay', async () => {
    const { studio } = hevrel;
    const { blobs } = studio;
    const dot = await sharp({ create: { width: 4, height: 4, channels: 4, background: '#b5442f' } })
      .png()
      .toBuffer();
    const pixel = dot.toString('base64');
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><image width="9" height="9" href="data:image/png;base64,${pixel}"/></svg>`;
    const { status } = await hevrel.send('picture.svg', svg);
    expect(status).toBe(201);
    const [left, kept] = ['left', 'kept anew'].map((text) => blobs.keep(`{"${text}":1}`, 'json')) as [string, string];
    const old = new Date(Date.now() - 50 * HOUR_MS);
    for (const address of [left, kept]) utimesSync(blobs.pathOf(address), old, old);

    const { faults, unnamed } = await checkOf(studio);
    expect(faults).toEqual([]);
    expect([...unnamed].sort()).toEqual([left, kept].sort());
    expect((await hevrel.ended((await hevrel.call('POST', '/checks')).body as never)).result).toMatchObject({
      unnamed: 2,
    });

    expect(await sweepFiles(studio, unnamed)).toBe(0);
    expect(await sweepFiles(studio, unnamed, Date.now() + 10 * HOUR_MS)).toBe(0);
    blobs.keep('{"kept anew":1}', 'json');
    const later = new Date(Date.now() + 20 * HOUR_MS);
    expect(statSync(blobs.pathOf(kept)).mtimeMs).toBeGreaterThan(Date.now() - HOUR_MS);
    utimesSync(blobs.pathOf(kept), later, later);
    expect(await sweepFiles(studio, unnamed, Date.now() + 21 * HOUR_MS)).toBe(1);
    expect([blobs.has(left), blobs.has(kept)]).toEqual([false, true]);
    // Named again, it is forgotten.
    await sweepFiles(studio, [], Date.now() + 22 * HOUR_MS);
    expect((await studio.database.query('SELECT * FROM unnamed_files')).rows).toEqual([]);
    expect((await checkOf(studio)).faults).toEqual([]);
  });
});
