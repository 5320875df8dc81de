import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { Job, SwatchSummary, SwatchVersionSummary } from '../contract/index.ts';
import type { Command, Design } from '../core/document/index.ts';
import { tileOrder } from '../core/export/index.ts';
import { emptyBin } from './store/swatches.ts';
import { useSpirals } from './testing/spirals.ts';

const spirals = useSpirals();
const call = (method: string, path: string, body?: unknown) => spirals.hevrel.call(method, path, body);

/** Saves a swatch, or another version of one. */
async function save(body: object): Promise<string> {
  const answer = await call('POST', '/swatches', body);
  expect(answer.status).toBe(202);
  const job = await spirals.hevrel.ended(answer.body as unknown as Job);
  expect(job.state).toBe('done');
  return (job.result as { swatch: string }).swatch;
}

async function change(id: string, revision: number, commands: readonly Command[]): Promise<void> {
  expect((await call('PATCH', `/designs/${id}`, { save: `s-${id}-${revision}`, revision, commands })).status).toBe(200);
}

const versionsOf = async (swatch: string): Promise<SwatchVersionSummary[]> =>
  (await call('GET', `/swatches/${swatch}/versions`)).body as unknown as SwatchVersionSummary[];

/** The tile of a swatch as it is exported now, RGBA. */
async function exported(swatch: string, version?: number): Promise<Buffer> {
  const order = tileOrder({ kind: 'pixels', width: 200 });
  const job = await spirals.hevrel.ended(
    (await call('POST', '/exports', { swatch, version, order })).body as unknown as Job,
  );
  const { href } = job.result as { href: string };
  const png = await (await spirals.hevrel.fetch(href.replace('/api', ''))).arrayBuffer();
  return sharp(Buffer.from(png)).ensureAlpha().raw().toBuffer();
}

describe('versions', () => {
  it('are added with a note, each as it was, and the newest is shown', async () => {
    const design = await spirals.create();
    const swatch = await save({ design: design.id, revision: 1, name: 'Spirals' });
    const first = await exported(swatch);
    await change(design.id, 1, [{ type: 'remove', ids: [design.placements[0]?.id ?? ''] }]);
    expect(await save({ design: design.id, revision: 2, swatch, note: 'One fewer' })).toBe(swatch);
    const second = await exported(swatch);
    expect(Buffer.compare(await exported(swatch, 1), first)).toBe(0);
    expect(Buffer.compare(first, second)).not.toBe(0);
    const [newest, oldest] = await versionsOf(swatch);
    expect(newest).toMatchObject({ number: 2, note: 'One fewer' });
    expect(oldest).toMatchObject({ number: 1, note: '' });
    expect(newest?.tile).not.toBe(oldest?.tile);
    const { body } = await call('GET', `/swatches/${swatch}`);
    expect(body).toMatchObject({ name: 'Spirals', number: 2, newest: 2, tile: newest?.tile });
    expect((body['design'] as Design).placements).toHaveLength(design.placements.length - 1);

    const compared = (await call('POST', `/swatches/${swatch}/compare`, { from: 1, to: 2 })).body;
    expect(compared['changed']).toBeGreaterThan(0);
    expect(compared['changed']).toBeLessThan(1);
    expect((await spirals.hevrel.fetch(`/blobs/${compared['picture'] as string}`)).status).toBe(200);
    expect((await call('POST', `/swatches/${swatch}/compare`, { from: 2, to: 2 })).body['changed']).toBe(0);

    const { body: restored } = await call('POST', `/swatches/${swatch}/versions/1/restore`);
    expect(restored).toMatchObject({ number: 3, note: 'Version 1 restored', tile: oldest?.tile });
    expect(Buffer.compare(await exported(swatch), first)).toBe(0);
    expect((await versionsOf(swatch)).map(({ number }) => number)).toEqual([3, 2, 1]);
  });

  it('of different sizes are told apart by that', async () => {
    const design = await spirals.create();
    const swatch = await save({ design: design.id, revision: 1, name: 'Spirals' });
    const step = { kind: 'square', drop: { p: 0, q: 1 } } as const;
    await change(design.id, 1, [{ type: 'repeat', repeat: { width: 90, height: 70, step } } as unknown as Command]);
    await save({ design: design.id, revision: 2, swatch });
    expect((await call('POST', `/swatches/${swatch}/compare`, { from: 1, to: 2 })).body).toEqual({
      changed: null,
      picture: null,
    });
  });

  it('are asked of a swatch and a version that are there', async () => {
    const design = await spirals.create();
    const swatch = await save({ design: design.id, revision: 1, name: 'Spirals' });
    for (const [path, body] of [
      ['/swatches/nowhere/compare', { from: 1, to: 1 }],
      [`/swatches/${swatch}/compare`, { from: 1, to: 9 }],
      [`/swatches/${swatch}/versions/9/restore`, undefined],
      ['/swatches', { design: design.id, revision: 1, swatch: 'nowhere' }],
    ] as const)
      expect((await call('POST', path, body)).status, path).toBe(404);
    for (const body of [
      { design: design.id, revision: 1 },
      { design: design.id, revision: 1, name: 'Both', swatch },
    ])
      expect((await call('POST', '/swatches', body)).status, JSON.stringify(body)).toBe(422);
  });

  it('saved at the same time are all kept', async () => {
    const design = await spirals.create();
    const swatch = await save({ design: design.id, revision: 1, name: 'Spirals' });
    await Promise.all([1, 2, 3].map((n) => save({ design: design.id, revision: 1, swatch, note: `Note ${n}` })));
    const versions = await versionsOf(swatch);
    expect(versions.map(({ number }) => number)).toEqual([4, 3, 2, 1]);
    expect(versions.map(({ note }) => note).sort()).toEqual(['', 'Note 1', 'Note 2', 'Note 3']);
  });
});

describe('a swatch', () => {
  it('has a book, tags and notes; what is not named stays', async () => {
    const design = await spirals.create();
    const swatch = await save({ design: design.id, revision: 1, name: 'Spirals' });
    const path = `/swatches/${swatch}`;
    expect((await call('PATCH', path, { tags: ['sea', 'blue'], book: 'Spring' })).body).toMatchObject({
      name: 'Spirals',
      tags: ['sea', 'blue'],
      book: 'Spring',
      notes: '',
    });
    expect((await call('PATCH', path, { notes: 'For the tea towel.' })).body).toMatchObject({
      tags: ['sea', 'blue'],
      book: 'Spring',
      notes: 'For the tea towel.',
    });
    expect((await call('PATCH', path, { book: '', tags: [] })).body).toMatchObject({ book: '', tags: [] });
  });

  it('waits in the bin for 30 days, and is gone after that', async () => {
    const design = await spirals.create();
    const swatch = await save({ design: design.id, revision: 1, name: 'Spirals' });
    const bin = async () => ((await call('GET', '/swatch-bin')).body as unknown as SwatchSummary[]).map(({ id }) => id);
    await call('DELETE', `/swatches/${swatch}`);
    expect(await bin()).toContain(swatch);
    const { database } = spirals.hevrel.studio;
    await emptyBin(database);
    expect(await bin()).toContain(swatch);
    await call('POST', `/swatches/${swatch}/restore`);
    expect(await bin()).not.toContain(swatch);
    await call('DELETE', `/swatches/${swatch}`);
    await database.query(`UPDATE swatches SET deleted_at = now() - interval '31 days' WHERE id = $1`, [swatch]);
    await emptyBin(database);
    expect(await bin()).not.toContain(swatch);
    expect((await call('POST', `/swatches/${swatch}/restore`)).status).toBe(404);
  });

  it('opens to what it showed, also where its motifs have changed since', async () => {
    const design = await spirals.create();
    const swatch = await save({ design: design.id, revision: 1, name: 'Spirals' });
    const before = await exported(swatch);
    const { body: motif } = await call('GET', `/motifs/${spirals.motif}`);
    await call('PATCH', `/motifs/${spirals.motif}`, { width: 2 * (motif['width'] as number) });
    try {
      const { body: opened } = await call('POST', `/swatches/${swatch}/open`);
      expect(opened['copied']).toBe(true);
      const again = await save({ design: opened['design'], revision: 1, name: 'Again' });
      expect(Buffer.compare(await exported(again), before)).toBe(0);
      expect(Buffer.compare(await exported(swatch), before)).toBe(0);
    } finally {
      await call('PATCH', `/motifs/${spirals.motif}`, { width: motif['width'] });
    }
  });
});
