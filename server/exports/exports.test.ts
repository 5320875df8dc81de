import { createHash } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import type { Job, MadeFile } from '../../contract/index.ts';
import { type AnyOrder, tileOrder, vectorTileOrder } from '../../core/export/index.ts';
import { DEFAULT_SEPARATION } from '../../core/separate/index.ts';
import { useSpirals } from '../testing/spirals.ts';
import { FILE_KINDS } from './fileKinds.ts';

const spirals = useSpirals();
const call = (method: string, path: string, body?: unknown) => spirals.hevrel.call(method, path, body);

async function fileOf(job: Job): Promise<Buffer> {
  const { href } = job.result as { href: string };
  return Buffer.from(await (await spirals.hevrel.fetch(href.replace('/api', ''))).arrayBuffer());
}

async function done(answer: { status: number; body: unknown }): Promise<Job> {
  expect(answer.status, JSON.stringify(answer.body)).toBe(202);
  const job = await spirals.hevrel.ended(answer.body as Job);
  expect(job.state, job.message ?? '').toBe('done');
  return job;
}

const hashOf = (content: Uint8Array): string => createHash('sha256').update(content).digest('hex');

describe('a batch', () => {
  it('is a ZIP of the very files that single exports give, under the names that the template makes', async () => {
    const design = await spirals.create();
    const orders: AnyOrder[] = [
      tileOrder({ kind: 'pixels', width: 240 }),
      { ...tileOrder({ kind: 'density', dpi: 40 }), format: 'tiff', extent: { kind: 'repeats', columns: 2, rows: 1 } },
      { ...tileOrder({ kind: 'pixels', width: 100 }), format: 'jpeg', backdrop: '#ffffff' },
      vectorTileOrder('svg'),
      { ...vectorTileOrder('css'), inline: false },
    ];
    const template = '{number} {name} {contents}';
    const job = await done(await call('POST', '/batches', { sources: [{ design: design.id }], orders, template }));
    const { files } = job.result as { files: MadeFile[] };
    const zip = unzipSync(await fileOf(job));
    expect(Object.keys(zip)).toEqual(files.map(({ fileName }) => fileName));
    const { name } = design;
    expect(Object.keys(zip)).toEqual(
      ['01 N tile.png', '02 N 2x1.tif', '03 N tile.jpg', '04 N tile.svg', '05 N tile.zip'].map((file) =>
        file.replace('N', name),
      ),
    );
    for (const [n, order] of orders.entries()) {
      const { fileName, bytes } = files[n] as MadeFile;
      const content = zip[fileName] as Uint8Array;
      expect(content.length).toBe(bytes);
      const single = await fileOf(await done(await call('POST', '/exports', { design: design.id, order, template })));
      // A ZIP within the ZIP has the time in it.
      if (order.format !== 'css') expect(hashOf(content), fileName).toBe(hashOf(single));
    }
    expect(readdirSync(spirals.hevrel.studio.exports).filter((file) => /part|files/.test(file))).toEqual([]);
  });

  it('that cannot be made whole is refused at once, with the reason', async () => {
    const { id } = await spirals.create();
    const tooLarge = tileOrder({ kind: 'pixels', width: 100_000 });
    const refused = await call('POST', '/batches', { sources: [{ design: id }], orders: [tooLarge] });
    expect(refused).toMatchObject({ status: 422 });
    expect(refused.body['detail']).toMatch(/megapixels|pixels wide/);
    const many = await call('POST', '/batches', {
      sources: Array.from({ length: 150 }, () => ({ design: id })),
      orders: [vectorTileOrder('svg'), vectorTileOrder('pdf')],
    });
    expect(many).toMatchObject({ status: 422 });
    expect(many.body['detail']).toMatch(/300 files; at most 200/);
    expect((await call('POST', '/batches', { sources: [{ design: 'gone' }], orders: [tooLarge] })).status).toBe(404);
  });
});

describe('exports', () => {
  it('of which twenty are asked for at once are queued, at most two painted at a time, and all finish', async () => {
    const { id } = await spirals.create();
    const order = tileOrder({ kind: 'pixels', width: 700 });
    const started = await Promise.all(
      Array.from({ length: 20 }, () => call('POST', '/exports', { design: id, order })),
    );
    const { pool } = spirals.hevrel.studio;
    let most = 0;
    const watch = setInterval(() => (most = Math.max(most, pool.processes('painting'))), 5);
    const files = await Promise.all(started.map(async (answer) => hashOf(await fileOf(await done(answer)))));
    clearInterval(watch);
    expect(new Set(files).size).toBe(1);
    expect(most).toBeGreaterThan(0);
    expect(most).toBeLessThanOrEqual(2);
  });

  it('that the server left in the middle are made after the next start, under the same address', async () => {
    const { id: design } = await spirals.create();
    const { studio } = spirals.hevrel;
    const saved = await done(await call('POST', '/swatches', { design, revision: 1, name: 'Tide mark' }));
    const { swatch } = saved.result as { swatch: string };
    const order = tileOrder({ kind: 'pixels', width: 90 });
    const tryOn = { version: 1, name: 'Mug', product: 'mug', source: { design }, scale: 1, rotation: 0, pieces: [] };
    const { id: worn } = (await call('POST', '/try-ons', { tryOn })).body;
    const wishes = {
      export: { design, order },
      batch: { sources: [{ design }], orders: [order] },
      pack: { designs: [design], swatches: [] },
      sheet: { swatches: [swatch], scales: [1], paper: 'a4', columns: 2, format: 'pdf' },
      plates: { design, order: { ...DEFAULT_SEPARATION, dpi: 50 } },
      'try-on': { tryOns: [worn], format: 'png', side: 64 },
    };
    for (const [kind, request] of Object.entries(wishes))
      await studio.database.query('INSERT INTO jobs (id, kind, state, request) VALUES ($1, $2, $3, $4)', [
        `left-${kind}`,
        kind,
        'running',
        JSON.stringify(request),
      ]);
    await studio.jobs.resume();
    expect(new Set(Object.keys(wishes))).toEqual(FILE_KINDS);
    for (const kind of Object.keys(wishes)) {
      const job = await done({ status: 202, body: await studio.jobs.read(`left-${kind}`) });
      expect((await fileOf(job)).length, kind).toBeGreaterThan(100);
    }
  });
});

describe('presets', () => {
  it('are listed by name; one of the same name is replaced', async () => {
    const preset = { name: 'Print', orders: [vectorTileOrder('pdf')], template: '{name}' };
    const { id } = (await call('POST', '/export-presets', preset)).body;
    await call('POST', '/export-presets', { ...preset, name: 'Approval' });
    const next = { ...preset, orders: [vectorTileOrder('svg'), tileOrder({ kind: 'density', dpi: 150 })] };
    expect((await call('POST', '/export-presets', next)).body).toEqual({ id, ...next });
    const list = (await call('GET', '/export-presets')).body as unknown as { name: string }[];
    expect(list.map(({ name }) => name)).toEqual(['Approval', 'Print']);
    expect(list[1]).toEqual({ id, ...next });
    expect((await call('DELETE', `/export-presets/${id as string}`)).status).toBe(204);
    expect((await call('DELETE', `/export-presets/${id as string}`)).status).toBe(404);
  });
});
