import { readFileSync } from 'node:fs';
import { strToU8, unzipSync, zipSync } from 'fflate';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Ajv2020 } from 'ajv/dist/2020.js';
import type { Job } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import { tileOrder } from '../../core/export/index.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { useSpirals } from '../testing/spirals.ts';
import type { PackList } from './packFile.ts';

const home = useSpirals();
let away: TestStudio;
beforeAll(async () => {
  away = await openTestStudio();
});
afterAll(() => away.close());

async function done(studio: TestStudio, answer: { status: number; body: unknown }): Promise<Record<string, unknown>> {
  expect(answer.status, JSON.stringify(answer.body)).toBe(202);
  const job = await studio.ended(answer.body as Job);
  expect(job.state, job.message ?? '').toBe('done');
  return job.result as Record<string, unknown>;
}

async function fetched(studio: TestStudio, href: unknown): Promise<Buffer> {
  return Buffer.from(await (await studio.fetch((href as string).replace('/api', ''))).arrayBuffer());
}

async function taken(studio: TestStudio, content: Uint8Array) {
  const response = await studio.fetch('/packs/import', {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: new Uint8Array(content),
  });
  return { status: response.status, body: (await response.json()) as Record<string, unknown> };
}

/** A swatch of two versions, and the pack of it. */
async function packed() {
  const { hevrel } = home;
  const design = await home.create();
  const first = await done(
    hevrel,
    await hevrel.call('POST', '/swatches', { design: design.id, revision: 1, name: 'Spirals' }),
  );
  const swatch = first['swatch'] as string;
  const commands = [{ type: 'remove', ids: ['a'] }];
  await hevrel.call('PATCH', `/designs/${design.id}`, { save: `save-${design.id}`, revision: 1, commands });
  await done(
    hevrel,
    await hevrel.call('POST', '/swatches', { design: design.id, revision: 2, swatch, note: 'One fewer' }),
  );
  await hevrel.call('PATCH', `/swatches/${swatch}`, { tags: ['sea'], book: 'Low Tide', notes: 'For cushions' });
  const { href } = await done(hevrel, await hevrel.call('POST', '/packs', { swatches: [swatch], designs: [] }));
  return { design: design.id, swatch, zip: await fetched(hevrel, href) };
}

async function pixels(studio: TestStudio, swatch: string, version: number): Promise<string> {
  const order = tileOrder({ kind: 'pixels', width: 150 });
  const { href } = await done(studio, await studio.call('POST', '/exports', { swatch, version, order }));
  return (await fetched(studio, href)).toString('base64');
}

const SHOWN = [
  'name',
  'book',
  'tags',
  'notes',
  'number',
  'note',
  'savedAt',
  'designId',
  'tile',
  'thumbnail',
  'tileWidth',
  'repeat',
  'colours',
  'design',
];
async function shown(studio: TestStudio, swatch: string) {
  const { body } = await studio.call('GET', `/swatches/${swatch}`);
  return Object.fromEntries(SHOWN.map((field) => [field, body[field]]));
}

describe('a pack', () => {
  it('opens in another studio as the same swatch, versions and design, to the last digit and the last pixel', async () => {
    const { design, swatch, zip } = await packed();
    expect(await taken(away, zip)).toMatchObject({
      status: 201,
      body: { swatches: [swatch], designs: [design], known: 0 },
    });
    expect(await shown(away, swatch)).toEqual(await shown(home.hevrel, swatch));
    for (const version of [1, 2])
      expect(await pixels(away, swatch, version)).toBe(await pixels(home.hevrel, swatch, version));
    const opened = await away.call('GET', `/designs/${design}`);
    expect(opened.body['design']).toEqual((await home.hevrel.call('GET', `/designs/${design}`)).body['design']);
    expect((await away.call('POST', `/swatches/${swatch}/open`)).body).toEqual({ design, copied: false });

    // Once more: all of it is there already.
    const again = await taken(away, zip);
    expect(again.body).toMatchObject({ swatches: [swatch], designs: [design], known: 3 });
    // After a change there: what is there stays, and the pack's comes beside it.
    const commands = [{ type: 'name', name: 'Changed' }];
    const { revision } = (await away.call('GET', `/designs/${design}`)).body;
    await away.call('PATCH', `/designs/${design}`, { save: 'changed-there', revision, commands });
    const beside = (await taken(away, zip)).body['designs'] as string[];
    expect(beside).not.toContain(design);
    expect((await away.call('GET', `/designs/${design}`)).body['design']).toMatchObject({ name: 'Changed' });
    expect((await away.call('GET', `/designs/${beside[0] ?? ''}`)).body['design']).toMatchObject({ name: 'Spirals' });
  });

  it('of a design alone brings its motifs, and a design without its pack asks for them', async () => {
    const { id } = await home.create();
    const fresh = await openTestStudio();
    const { design } = (await home.hevrel.call('GET', `/designs/${id}`)).body as { design: Design };
    const alone = await taken(fresh, strToU8(JSON.stringify(design)));
    expect(alone).toMatchObject({ status: 422 });
    expect(alone.body['detail']).toMatch(/uses a motif that is neither in this file nor in the drawer/);
    const { href } = await done(home.hevrel, await home.hevrel.call('POST', '/packs', { swatches: [], designs: [id] }));
    expect((await taken(fresh, await fetched(home.hevrel, href))).body).toMatchObject({ designs: [id], known: 0 });
    // Now its motifs are there.
    expect((await taken(fresh, strToU8(JSON.stringify(design)))).body).toMatchObject({ designs: [id], known: 1 });
    await fresh.close();
  });

  it('brings what a motif was before a part of it was hidden', async () => {
    const { hevrel } = home;
    const { id } = await home.create();
    const { design } = (await hevrel.call('GET', `/designs/${id}`)).body as { design: Design };
    const [placement] = design.placements;
    const { artwork } = (await hevrel.call('GET', `/motifs/${placement?.motif}`)).body as { artwork: string };
    const before = { kind: 'points', original: artwork, paths: [], before: null };
    const areas = [{ deed: 'hide', path: 'M -1000 -1000 L 5 -1000 L 5 5 L -1000 5 Z' }];
    const recipe = { kind: 'masked', original: artwork, areas, softness: 1, before };
    const made = await hevrel.call('POST', '/motifs/made', { name: 'A part', collection: 'Masks', recipe });
    expect(made.status, JSON.stringify(made.body)).toBe(201);
    const motif = made.body['id'] as string;
    const commands = [{ type: 'change', changes: { [placement?.id ?? '']: { motif } } }];
    const patched = await hevrel.call('PATCH', `/designs/${id}`, { save: 'masked-part', revision: 1, commands });
    expect(patched.status, JSON.stringify(patched.body)).toBe(200);
    const { href } = await done(hevrel, await hevrel.call('POST', '/packs', { swatches: [], designs: [id] }));
    const fresh = await openTestStudio();
    expect((await taken(fresh, await fetched(hevrel, href))).status).toBe(201);
    const there = (await fresh.call('GET', `/motifs/${motif}`)).body;
    expect(there['artwork']).toBe(made.body['artwork']);
    expect(there['recipe']).toEqual(recipe);
    const back = await fresh.call('PUT', `/motifs/${motif}/recipe`, { recipe: before });
    expect(back.status, JSON.stringify(back.body)).toBe(200);
    await fresh.close();
  });

  it('of the first version is read, and fits the schema that is published', async () => {
    const kept = readFileSync(new URL('kept/pack-1.zip', import.meta.url));
    const list = JSON.parse(Buffer.from(unzipSync(kept)['pack.json'] as Uint8Array).toString()) as PackList;
    const schema = JSON.parse(
      readFileSync(new URL('../../docs/api/pack.schema.json', import.meta.url), 'utf8'),
    ) as object;
    expect(new Ajv2020({ strict: false }).compile(schema)(list)).toBe(true);
    const fresh = await openTestStudio();
    const { swatches } = (await taken(fresh, kept)).body as { swatches: string[] };
    const [id] = swatches as [string];
    const swatch = await shown(fresh, id);
    expect(swatch).toMatchObject({ name: 'Spirals', note: 'One fewer', tags: ['sea'], book: 'Low Tide', number: 2 });
    expect(swatch['design']).toEqual(list.swatches[0]?.versions[1]?.design);
    await fresh.close();
  });
});

describe('what is no whole pack', () => {
  it('is refused with a sentence, and nothing is added', async () => {
    const { zip } = await packed();
    const files = unzipSync(zip);
    const list = JSON.parse(Buffer.from(files['pack.json'] as Uint8Array).toString()) as PackList;
    const fresh = await openTestStudio();
    const withList = (changed: object): Uint8Array =>
      zipSync({ ...files, 'pack.json': strToU8(JSON.stringify({ ...list, ...changed })) });
    const [file] = Object.keys(files).filter((name) => name.startsWith('files/'));
    const [tile] = Object.keys(files).filter((name) => name.includes('tile'));
    const { [file as string]: _, ...without } = files;
    for (const [content, why] of [
      [zipSync(without), /is not in it/],
      [strToU8('PK no zip'), /no ZIP or cut short/],
      [zip.subarray(0, zip.length / 2), /no ZIP or cut short/],
      [zipSync({ a: strToU8('b') }), /has no list/],
      [withList({ version: 2 }), /of the version 2, which this Hevrel cannot read/],
      [withList({ swatches: [{ name: 'x' }] }), /its list cannot be read/],
      [withList({ designs: [{ version: 4 }] }), /This design cannot be read/],
      [
        withList({
          swatches: list.swatches.map((swatch) => ({
            ...swatch,
            versions: swatch.versions.map((version) => ({ ...version, savedAt: '+271821-04-20T00:00:00.000Z' })),
          })),
        }),
        /has to be a date of the years 1970 to 9999/,
      ],
      [zipSync({ ...files, 'pack.json': strToU8('{"format":') }), /its list cannot be read/],
      [zipSync({ ...files, [file as string]: strToU8('something else') }), /is not what its name says/],
      [zipSync({ ...files, [tile as string]: strToU8('no picture') }), /is not a picture that can be read/],
    ] as const) {
      const { status, body } = await taken(fresh, content);
      expect([status, body['detail']]).toEqual([422, expect.stringMatching(why)]);
    }
    expect((await fresh.call('GET', '/swatches')).body).toEqual({ swatches: [], total: 0 });
    expect((await fresh.call('GET', '/designs')).body).toEqual([]);
    await fresh.close();
  });

  it('never ends the server, whatever byte is wrong', async () => {
    const { zip } = await packed();
    await fc.assert(
      fc.asyncProperty(fc.nat(zip.length - 1), fc.integer({ min: 1, max: 255 }), async (at, by) => {
        const bent = Buffer.from(zip);
        bent[at] = (bent[at] as number) ^ by;
        expect([201, 413, 422]).toContain((await taken(away, bent)).status);
      }),
      { numRuns: 25 },
    );
  });
});
