import type { ListedMotif } from '../../contract/index.ts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newDesign } from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { leafAt } from '../../core/testing/arbitraries.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';

let hevrel: TestStudio;

beforeAll(async () => {
  hevrel = await openTestStudio();
});

afterAll(() => hevrel.close());

const svg = (fill: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="20mm" height="10mm" viewBox="0 0 20 10"><rect width="20" height="10" fill="${fill}"/></svg>`;
const list = async (): Promise<ListedMotif[]> =>
  (await hevrel.call('GET', '/motifs?limit=200')).body['motifs'] as ListedMotif[];
const find = async (id: string): Promise<ListedMotif> =>
  (await hevrel.call('GET', `/motifs/${id}`)).body as unknown as ListedMotif;

async function bring(fill: string): Promise<ListedMotif> {
  return (await hevrel.send(`${fill.slice(1)}.svg`, svg(fill))).body['motif'] as ListedMotif;
}

async function layOn(name: string, motif: string, times: number): Promise<string> {
  const document = {
    ...newDesign('x', name, { width: 100, height: 100, step: SQUARE }),
    placements: Array.from({ length: times }, (_, i) => leafAt(`p${i}`, { motif, x: 10 * i, y: 5 })),
  };
  return ((await hevrel.call('POST', '/designs', { name, document })).body['design'] as { id: string }).id;
}

describe('the drawer', () => {
  it('knows a file by its content and does not take it twice', async () => {
    const first = await bring('#112233');
    const again = await hevrel.send('another name.svg', svg('#112233'));
    expect((again.body['motif'] as ListedMotif).id).toBe(first.id);
    expect(again.body['notes']).toEqual(['It is in the drawer already, as “112233”. It was not taken twice.']);
    // Once deleted it may come again.
    await hevrel.call('DELETE', `/motifs/${first.id}`);
    expect((await bring('#112233')).id).not.toBe(first.id);
  });

  it('keeps names, sizes, collections and tags, and refuses what makes no sense', async () => {
    const { id } = await bring('#223344');
    const change = { name: 'Plank', collection: 'Harbour', tags: ['wood', 'filler'], width: 44 };
    expect((await hevrel.call('PATCH', `/motifs/${id}`, change)).body).toMatchObject(change);
    expect((await hevrel.call('PATCH', `/motifs/${id}`, { tags: [] })).body).toMatchObject({ ...change, tags: [] });
    for (const wrong of [{ collection: '' }, { tags: [''] }, { tags: 'wood' }, { source: 'x.svg' }])
      expect((await hevrel.call('PATCH', `/motifs/${id}`, wrong)).status).toBe(400);
  });

  it('tells where a motif is used, and keeps it there when it is deleted', async () => {
    const { id } = await bring('#334455');
    expect(await find(id)).toMatchObject({ uses: 0, deleted: false });
    const pier = await layOn('Pier', id, 3);
    await layOn('Quay', id, 1);
    expect(await find(id)).toMatchObject({ uses: 2 });
    expect((await hevrel.call('GET', `/motifs/${id}/uses`)).body).toMatchObject([
      { name: 'Pier', count: 3 },
      { name: 'Quay', count: 1 },
    ]);
    await hevrel.call('DELETE', `/motifs/${id}`);
    expect(await find(id)).toMatchObject({ deleted: true, uses: 2 });
    // Still there to be painted and moved.
    const moved = await hevrel.call('PATCH', `/designs/${pier}`, {
      save: 'move-it-on',
      revision: 1,
      commands: [{ type: 'change', changes: { p0: { x: 50 } } }],
    });
    expect(moved.status).toBe(200);
    await hevrel.call('POST', `/motifs/${id}/restore`);
    expect(await find(id)).toMatchObject({ deleted: false });
    const unused = await bring('#445566');
    await hevrel.call('DELETE', `/motifs/${unused.id}`);
    expect((await list()).map((motif) => motif.id)).not.toContain(unused.id);
  });

  it('duplicates a motif into one of its own', async () => {
    const original = await bring('#556677');
    const { status, body } = await hevrel.call('POST', `/motifs/${original.id}/duplicate`);
    expect(status).toBe(201);
    expect(body).toMatchObject({ name: '556677 (copy)', artwork: original.artwork });
    await hevrel.call('PATCH', `/motifs/${body['id'] as string}`, { name: 'Other' });
    expect(await find(original.id)).toMatchObject({ name: '556677' });
  });

  it('replaces the artwork wherever it is used, and keeps name and width', async () => {
    const { id } = await bring('#667788');
    await hevrel.call('PATCH', `/motifs/${id}`, { name: 'Plank', width: 33 });
    const design = await layOn('Jetty', id, 1);
    const picture = async (): Promise<Buffer> => {
      const response = await hevrel.fetch(`/designs/${design}/picture`);
      expect([response.status, response.headers.get('content-type')]).toEqual([200, 'image/webp']);
      return Buffer.from(await response.arrayBuffer());
    };
    const before = await picture();
    const replace = (name: string, content: string): Promise<Response> =>
      hevrel.fetch(`/motifs/${id}/artwork?name=${name}`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: content,
      });
    expect((await replace('broken.svg', '<svg xmlns="x"><path')).status).toBe(422);
    expect((await replace('new.svg', svg('#ff0000'))).status).toBe(200);
    expect(await find(id)).toMatchObject({ name: 'Plank', width: 33, inks: ['#ff0000'] });
    expect((await picture()).equals(before)).toBe(false);
    // It may be asked for in the moment in which the design is deleted; the design itself is gone.
    await hevrel.call('DELETE', `/designs/${design}`);
    expect((await picture()).length).toBeGreaterThan(0);
    expect((await hevrel.call('GET', `/designs/${design}`)).status).toBe(404);
  });

  it('answers for a motif that is not there', async () => {
    for (const [method, path] of [
      ['GET', 'uses'],
      ['POST', 'duplicate'],
      ['POST', 'restore'],
    ] as const)
      expect((await hevrel.call(method, `/motifs/nowhere/${path}`)).status).toBe(404);
    expect((await hevrel.call('DELETE', '/motifs/nowhere')).status).toBe(404);
  });

  it('is looked through page by page: every word counts, and equals go by name, numbers by their value', async () => {
    const elsewhere = await openTestStudio();
    try {
      const names = ['Whelk 10', 'Whelk 2', 'Crab', 'whelk 1'];
      for (const [n, name] of names.entries()) {
        const { motif } = (await elsewhere.send(`${n}.svg`, svg(`#10203${n}`))).body as { motif: { id: string } };
        await elsewhere.call('PATCH', `/motifs/${motif.id}`, {
          name,
          ...(name === 'Crab' ? { collection: 'Deep', width: 90 } : { tags: ['100%_shell'] }),
        });
      }
      const page = async (query: string): Promise<string[]> =>
        ((await elsewhere.call('GET', `/motifs?${query}`)).body['motifs'] as ListedMotif[]).map(({ name }) => name);
      expect(await page('order=name')).toEqual(['Crab', 'whelk 1', 'Whelk 2', 'Whelk 10']);
      expect(await page('order=name&offset=1&limit=2')).toEqual(['whelk 1', 'Whelk 2']);
      expect(await page('order=size&limit=1')).toEqual(['Crab']);
      expect(await page('words=WHELK%20shell&order=name')).toEqual(['whelk 1', 'Whelk 2', 'Whelk 10']);
      expect(await page('words=deep')).toEqual(['Crab']);
      expect(await page(`words=${encodeURIComponent('100%_')}`)).toHaveLength(3);
      expect(await page(`words=${encodeURIComponent('%')}`)).toHaveLength(3);
      expect(await page('collection=Deep')).toEqual(['Crab']);
      expect(await page('offset=40')).toEqual([]);
      // More than the database counts to.
      for (const list of ['/motifs', '/swatches'])
        expect((await hevrel.call('GET', `${list}?offset=99999999999999999999`)).status).toBe(400);
      expect((await elsewhere.call('GET', '/motifs/collections')).body).toEqual([
        { name: 'Deep', count: 1 },
        { name: 'My motifs', count: 3 },
      ]);
      expect((await elsewhere.call('GET', '/motifs?limit=1000')).status).toBe(400);
    } finally {
      await elsewhere.close();
    }
  });
});
