import { readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Job, StoredMotif } from '../contract/index.ts';
import { openTestStudio, type TestStudio } from './testing/testStudio.ts';
import { Pool } from './work/pool.ts';

let hevrel: TestStudio;
beforeAll(async () => {
  hevrel = await openTestStudio();
});
afterAll(() => hevrel.close());

const files = (): string[] =>
  readdirSync(hevrel.studio.folder.blobs, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map(({ name }) => name)
    .sort();
const post = (path: string, content: Uint8Array): Promise<Response> =>
  hevrel.fetch(path, { method: 'POST', body: new Uint8Array(content) });
const svg = (inner: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm" viewBox="0 0 9 9">${inner}</svg>`;

describe('what is refused', () => {
  it('is not kept: neither the file, nor the pictures in it, nor what a process had made before it was stopped', async () => {
    const before = files();
    const dot = await sharp({ create: { width: 4, height: 4, channels: 4, background: '#b5442f' } })
      .png()
      .toBuffer();
    const pixel = dot.toString('base64');
    const hidden = svg(`<image width="9" height="9" opacity="0" href="data:image/png;base64,${pixel}"/>`);
    expect((await hevrel.send('hidden.svg', hidden)).status).toBe(422);
    expect((await post('/scans?name=torn.png', Buffer.from(pixel.slice(0, 60), 'base64'))).status).toBe(422);
    expect(files()).toEqual(before);
    const impatient = new Pool({ limits: () => ({ ms: 1, memory: 1e12, doing: 'Reading this', advice: 'Nothing.' }) });
    try {
      const file = join(hevrel.studio.folder.drafts, 'slow.svg');
      writeFileSync(file, svg(`<image width="9" height="9" href="data:image/png;base64,${pixel}"/>`));
      const task = { kind: 'read', name: 'a', file, fonts: [], blobs: hevrel.studio.blobs.folder } as const;
      await expect(impatient.run(task)).rejects.toThrow(/took longer/);
    } finally {
      await impatient.close();
    }
    expect(files()).toEqual(before);
    await expect.poll(() => readdirSync(hevrel.studio.folder.drafts)).toEqual(['slow.svg']);
  });

  it('of a collection leaves none of it: all or nothing', async () => {
    for (const colour of ['#b5442f', '#205ac0'])
      await hevrel.send(`${colour.slice(1)}.svg`, svg(`<rect width="9" height="9" fill="${colour}"/>`));
    await hevrel.studio.database.query(`UPDATE motifs SET collection = 'Shore'`);
    const zip = unzipSync(new Uint8Array(await (await hevrel.fetch('/collections/file?name=Shore')).arrayBuffer()));
    const list = JSON.parse(Buffer.from(zip['collection.json'] as Uint8Array).toString()) as {
      motifs: { name: string; source: string }[];
    };
    // The first is new, the second is damaged.
    (list.motifs[0] as { name: string }).name = 'New';
    zip[(list.motifs[1] as { source: string }).source] = strToU8('<svg torn');
    zip['collection.json'] = strToU8(JSON.stringify(list));
    const [motifs, before] = [(await hevrel.call('GET', '/motifs')).body['total'], files()];
    const refused = await post('/collections', zipSync(zip));
    expect(refused.status).toBe(422);
    expect(((await refused.json()) as { detail: string }).detail).toMatch(/Nothing was added/);
    expect([(await hevrel.call('GET', '/motifs')).body['total'], files()]).toEqual([motifs, before]);
  });

  it('of a pack is what cannot be painted, in the same words as when it is imported', async () => {
    const motif = ((await hevrel.call('GET', '/motifs')).body['motifs'] as StoredMotif[])[0] as StoredMotif;
    const repeat = { width: 60, height: 40, step: { kind: 'square', drop: { p: 0, q: 1 } } };
    const { design } = (await hevrel.call('POST', '/designs', { name: 'Kelp', repeat })).body as {
      design: { id: string };
    };
    const packing = await hevrel.call('POST', '/packs', { swatches: [], designs: [design.id] });
    const { result } = await hevrel.ended(packing.body as unknown as Job);
    const { href } = result as { href: string };
    const zip = unzipSync(new Uint8Array(await (await hevrel.fetch(href.replace('/api', ''))).arrayBuffer()));
    const artwork = JSON.parse((await hevrel.studio.blobs.read(motif.artwork)).toString()) as {
      nodes: { path: string }[];
    };
    (artwork.nodes[0] as { path: string }).path = 'garbage';
    const text = JSON.stringify(artwork);
    const address = hevrel.studio.blobs.addressOf(text, 'json');
    zip[`files/${address}`] = strToU8(text);
    for (const own of [motif.thumbnail, motif.source])
      zip[`files/${own}`] = new Uint8Array(await hevrel.studio.blobs.read(own));
    const list = JSON.parse(Buffer.from(zip['pack.json'] as Uint8Array).toString()) as { motifs: unknown[] };
    list.motifs = [{ ...motif, id: 'broken', artwork: address }].map(
      ({ id, name, collection, width, artwork: drawn, view, inks, source, thumbnail, tags, recipe }) => ({
        ...{ id, name, collection, width, artwork: drawn, view, inks, source, thumbnail, tags, recipe },
      }),
    );
    zip['pack.json'] = strToU8(JSON.stringify(list));
    const before = files();
    const refused = await post('/packs/import', zipSync(zip));
    expect([refused.status, ((await refused.json()) as { detail: string }).detail]).toEqual([
      422,
      'The drawing cannot be painted: it has an outline that cannot be read. Nothing was changed; simplify it and try again.',
    ]);
    expect(files()).toEqual(before);
  });
});

describe('what two windows do at once', () => {
  const post = (path: string, body: object) => hevrel.call('POST', path, body);

  it('is held to limits and names by the table: 50 alternatives, one preset of a name', async () => {
    const repeat = { width: 60, height: 40, step: { kind: 'square', drop: { p: 0, q: 1 } } };
    const { design } = (await post('/designs', { name: 'Kelp', repeat })).body as { design: { id: string } };
    const kept = await Promise.all(
      Array.from({ length: 70 }, (_, n) => post(`/designs/${design.id}/alternatives`, { name: `No ${n}` })),
    );
    expect(kept.filter(({ status }) => status === 201)).toHaveLength(50);
    expect(kept.filter(({ status }) => status === 422)).toHaveLength(20);
    const order = { format: 'css', extent: { kind: 'tile' }, width: 60, bleed: 0, marks: false, spotColours: false };
    const preset = { name: 'Web', orders: [{ ...order, inline: true }], template: '{name}' };
    const saved = await Promise.all(Array.from({ length: 8 }, () => post('/export-presets', preset)));
    expect(new Set(saved.map(({ status, body }) => `${status} ${String(body['id'])}`)).size).toBe(1);
    expect((await hevrel.call('GET', '/export-presets')).body).toHaveLength(1);
  });

  it('is told or merged: shelves, tags, recipes, and a try-on that is saved twice counts once', async () => {
    const [red, blue] = ['#b5442f', '#205ac0'].map((colour) => ({ name: 'Ink', colour }));
    expect((await post('/ink-shelves', { name: 'Dyes', inks: [red], were: null })).status).toBe(201);
    expect((await post('/ink-shelves', { name: 'Dyes', inks: [blue], were: null })).status).toBe(409);
    expect((await post('/ink-shelves', { name: 'Dyes', inks: [blue], were: [red] })).status).toBe(201);
    expect((await post('/ink-shelves', { name: 'Dyes', inks: [red], were: [red] })).status).toBe(409);

    const [motif] = (await hevrel.call('GET', '/motifs')).body['motifs'] as StoredMotif[];
    const change = (tags: string[], tagsWere: string[]) =>
      hevrel.call('PATCH', `/motifs/${motif?.id}`, { tags, tagsWere });
    await change(['sea'], []);
    expect((await change(['hero'], [])).body['tags']).toEqual(['sea', 'hero']);

    const recipe = { kind: 'merged', original: motif?.artwork, within: 0 };
    const remake = (from?: string) => hevrel.call('PUT', `/motifs/${motif?.id}/recipe`, { recipe, from });
    expect((await remake(`${'0'.repeat(64)}.json`)).status).toBe(409);
    expect((await remake(motif?.artwork)).status).toBe(200);

    const repeat = { width: 60, height: 40, step: { kind: 'square', drop: { p: 0, q: 1 } } };
    const { design } = (await post('/designs', { name: 'Kelp', repeat })).body as { design: { id: string } };
    const tryOn = { version: 1, name: 'Mug', product: 'mug', scale: 1, rotation: 0, pieces: [] };
    const worn = { ...tryOn, source: { design: design.id } };
    const { id } = (await post('/try-ons', { tryOn: worn })).body;
    const save = (name: string) =>
      hevrel.call('PUT', `/try-ons/${String(id)}`, { revision: 1, tryOn: worn, save: name });
    expect((await save('save-one')).body).toEqual({ revision: 2 });
    expect((await save('save-one')).body).toEqual({ revision: 2 });
    expect((await save('save-two')).status).toBe(409);
  });
});
