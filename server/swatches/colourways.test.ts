import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { Job, SwatchSummary } from '../../contract/index.ts';
import { withBase } from '../../core/colourway/index.ts';
import type { Design } from '../../core/document/index.ts';
import { tileOrder } from '../../core/export/index.ts';
import { useSpirals } from '../testing/spirals.ts';

const spirals = useSpirals();
const call = (method: string, path: string, body?: unknown) => spirals.hevrel.call(method, path, body);

async function done(answer: { status: number; body: unknown }): Promise<Record<string, unknown>> {
  expect(answer.status, JSON.stringify(answer.body)).toBe(202);
  const job = await spirals.hevrel.ended(answer.body as Job);
  expect(job.state, job.message ?? '').toBe('done');
  return job.result as Record<string, unknown>;
}

/** A design with two colourways besides its base, stored. */
async function threeWays(document: Design = spirals.document()): Promise<Design> {
  const [base] = document.colourways;
  const colourways = [
    ...(base ? [base] : []),
    { id: 'dusk', name: 'Dusk', colours: { ground: '#203040', red: '#c0a0ff' } },
    { id: 'dawn', name: 'Dawn', colours: { ground: '#ffe8d0', red: '#309060' } },
  ];
  const made = await call('POST', '/designs', { name: 'Spirals', document: { ...document, colourways } });
  expect(made.status, JSON.stringify(made.body)).toBe(201);
  return made.body['design'] as Design;
}

/** The pixels of an export's file. */
async function exported(wish: object): Promise<{ readonly hash: string; readonly name: unknown }> {
  const { href, fileName } = await done(
    await call('POST', '/exports', { ...wish, order: tileOrder({ kind: 'pixels', width: 200 }), template: '{name}' }),
  );
  const response = await spirals.hevrel.fetch((href as string).replace('/api', ''));
  const { default: sharp } = await import('sharp');
  const pixels = await sharp(Buffer.from(await response.arrayBuffer()))
    .raw()
    .toBuffer();
  return { hash: createHash('sha256').update(pixels).digest('hex'), name: fileName };
}

describe('a colourway', () => {
  it('goes into a file as the design looks with it as its base, and its name says so', async () => {
    const design = await threeWays();
    const { id: _id, ...rest } = withBase(design, 'dawn');
    const turned = await call('POST', '/designs', { name: 'Spirals', document: { ...rest, id: 'x' } });
    const expected = await exported({ design: (turned.body['design'] as Design).id });
    const dawn = await exported({ design: design.id, colourway: 'dawn' });
    expect(dawn).toEqual({ hash: expected.hash, name: 'Spirals, Dawn.png' });
    expect((await exported({ design: design.id })).hash).not.toBe(dawn.hash);
    const order = tileOrder({ kind: 'pixels', width: 200 });
    expect((await call('POST', '/exports', { design: design.id, colourway: 'noon', order })).status).toBe(404);
  });

  it('is saved as a swatch of its own, several in one go, each of which shows its own colours', async () => {
    const design = await threeWays();
    const saved = { design: design.id, revision: 1 };
    const { version } = await done(
      await call('POST', '/swatches', { ...saved, name: 'Spirals', colourways: ['dawn', 'dusk'] }),
    );
    expect(version).toBe(1);
    const { swatches: list, total } = (await call('GET', `/swatches?design=${design.id}`)).body as unknown as {
      swatches: SwatchSummary[];
      total: number;
    };
    expect(total).toBe(2);
    // By pages they are the same.
    const paged = [0, 1].map(async (offset) => call('GET', `/swatches?design=${design.id}&limit=1&offset=${offset}`));
    expect((await Promise.all(paged)).map(({ body }) => body)).toEqual(
      list.map((one) => ({ swatches: [one], total: 2 })),
    );
    expect(new Map(list.map(({ name, colours }) => [name, colours]))).toEqual(
      new Map([
        ['Spirals, Dawn', ['#ffe8d0', '#309060']],
        ['Spirals, Dusk', ['#203040', '#c0a0ff']],
      ]),
    );
    expect(new Set(list.map(({ tile }) => tile)).size).toBe(2);

    // A version of a swatch is of one colourway.
    const [first] = list;
    await done(await call('POST', '/swatches', { ...saved, swatch: first?.id, colourways: ['base'] }));
    const now = (await call('GET', `/swatches/${first?.id}`)).body as unknown as SwatchSummary;
    expect([now.number, now.colours[0]]).toEqual([2, '#f2eee4']);
    expect((await call('POST', '/swatches', { ...saved, name: 'X', colourways: ['noon'] })).status).toBe(404);
  });
});
