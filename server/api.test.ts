import type { Job } from '../contract/index.ts';
import { describe, expect, it } from 'vitest';
import sharp from 'sharp';
import { type Design } from '../core/document/index.ts';
import { pixelGrid } from '../core/lattice/index.ts';
import { leafAt } from '../core/testing/arbitraries.ts';

import { SPIRAL_REPEAT, useSpirals } from './testing/spirals.ts';

const spirals = useSpirals();

describe('designs', () => {
  it('are created, read, listed, put away and brought back', async () => {
    const design = await spirals.create();
    expect((await spirals.hevrel.call('GET', `/designs/${design.id}`)).body).toMatchObject({ design, revision: 1 });
    const list = async (): Promise<string[]> =>
      ((await spirals.hevrel.call('GET', '/designs')).body as unknown as { id: string }[]).map(({ id }) => id);
    expect(await list()).toContain(design.id);
    expect((await spirals.hevrel.call('DELETE', `/designs/${design.id}`)).status).toBe(204);
    expect(await list()).not.toContain(design.id);
    expect((await spirals.hevrel.call('GET', `/designs/${design.id}`)).status).toBe(404);
    expect((await spirals.hevrel.call('POST', `/designs/${design.id}/restore`)).status).toBe(204);
    expect(await list()).toContain(design.id);
  });

  it('are saved by commands, each save once, and a stale one is refused with nothing changed', async () => {
    const { id } = await spirals.create();
    const save = { save: 'first-save', revision: 1, commands: [{ type: 'change', changes: { a: { x: 5 } } }] };
    expect((await spirals.hevrel.call('PATCH', `/designs/${id}`, save)).body).toEqual({ revision: 2 });
    // Sent again, because its answer was lost.
    expect((await spirals.hevrel.call('PATCH', `/designs/${id}`, save)).body).toEqual({ revision: 2 });
    const stale = await spirals.hevrel.call('PATCH', `/designs/${id}`, {
      ...save,
      save: 'other-save',
      commands: [{ type: 'name', name: 'Stale' }],
    });
    expect(stale).toMatchObject({ status: 409, body: { status: 409, revision: 2 } });
    expect(stale.type).toContain('application/problem+json');
    expect((await spirals.hevrel.call('GET', `/designs/${id}`)).body).toMatchObject({
      revision: 2,
      design: { name: 'Spirals', placements: [{ x: 5 }, { x: 40 }] },
    });
  });

  it.each([
    [
      'a command that does not fit',
      { commands: [{ type: 'remove', ids: ['gone'] }] },
      422,
      /no motif gone on the cloth/,
    ],
    ['an unknown command', { commands: [{ type: 'explode' }] }, 400, /no command that is known/],
    [
      'a motif that is not in the drawer',
      { commands: [{ type: 'insert', placements: [{ index: 0, placement: leafAt('z', { motif: 'nowhere' }) }] }] },
      422,
      /not in the drawer/,
    ],
    ['no commands', { commands: [] }, 400, /does not fit/],
    ['unreadable JSON', '{"save":', 400, /not readable JSON/],
  ])('refuse %s with a sentence and change nothing', async (_name, rest, status, sentence) => {
    const { id } = await spirals.create();
    const sent = typeof rest === 'string' ? rest : { save: 'some-save', revision: 1, ...rest };
    const answer = await spirals.hevrel.call('PATCH', `/designs/${id}`, sent);
    expect(answer.status).toBe(status);
    expect(answer.type).toContain('application/problem+json');
    expect(answer.body['detail']).toMatch(sentence);
    expect(answer.body['detail']).toMatch(/Nothing was changed/);
    expect((await spirals.hevrel.call('GET', `/designs/${id}`)).body).toMatchObject({
      revision: 1,
      design: spirals.document().placements ? { name: 'Spirals' } : {},
    });
  });

  it('answer with a problem document wherever there is nothing', async () => {
    for (const path of [
      '/designs/nowhere',
      '/swatches/nowhere',
      '/jobs/nowhere',
      '/blobs/nowhere',
      '/blobs/..%2f..%2fetc%2fpasswd',
      '/nowhere',
    ]) {
      const { status, type, body } = await spirals.hevrel.call('GET', path);
      expect([status, type.includes('application/problem+json'), body['status']], path).toEqual([404, true, 404]);
    }
  });
});

describe('swatches', () => {
  async function save(): Promise<{ design: Design; swatch: string }> {
    const design = await spirals.create();
    const { status, body } = await spirals.hevrel.call('POST', '/swatches', {
      design: design.id,
      revision: 1,
      name: 'Spirals in blue',
    });
    expect(status).toBe(202);
    const job = await spirals.hevrel.ended(body as unknown as Job);
    return { design, swatch: (job.result as { swatch: string }).swatch };
  }

  it('keep tile, size, step and colours under a name', async () => {
    const { swatch } = await save();
    const { body } = await spirals.hevrel.call('GET', `/swatches/${swatch}`);
    const grid = pixelGrid(SPIRAL_REPEAT, 150 / 25.4);
    expect(body).toMatchObject({
      name: 'Spirals in blue',
      repeat: SPIRAL_REPEAT,
      tileWidth: grid.tile.width,
      tileHeight: grid.tile.height,
    });
    expect(body['colours']).toEqual(['#f2eee4', '#205ac0']);
    const tile = sharp(
      Buffer.from(await (await spirals.hevrel.fetch(`/blobs/${body['tile'] as string}`)).arrayBuffer()),
    );
    expect(await tile.metadata()).toMatchObject({ width: grid.tile.width, density: 150 });
    expect(
      (await spirals.hevrel.fetch(`/blobs/${body['thumbnail'] as string}`)).headers.get('cache-control'),
    ).toContain('immutable');
  });

  it('are renamed, deleted and brought back', async () => {
    const { swatch } = await save();
    expect((await spirals.hevrel.call('PATCH', `/swatches/${swatch}`, { name: 'Blue' })).body).toMatchObject({
      name: 'Blue',
    });
    expect((await spirals.hevrel.call('PATCH', `/swatches/${swatch}`, { name: '   ' })).status).toBe(400);
    await spirals.hevrel.call('DELETE', `/swatches/${swatch}`);
    expect((await spirals.hevrel.call('GET', `/swatches/${swatch}`)).status).toBe(404);
    await spirals.hevrel.call('POST', `/swatches/${swatch}/restore`);
    expect((await spirals.hevrel.call('GET', `/swatches/${swatch}`)).body).toMatchObject({ name: 'Blue' });
  });

  it('open their design again: the one they came from, or as it was where that has changed', async () => {
    const { design, swatch } = await save();
    expect((await spirals.hevrel.call('POST', `/swatches/${swatch}/open`)).body).toEqual({
      design: design.id,
      copied: false,
    });
    await spirals.hevrel.call('PATCH', `/designs/${design.id}`, {
      save: 'a-later-save',
      revision: 1,
      commands: [{ type: 'remove', ids: ['a'] }],
    });
    const opened = (await spirals.hevrel.call('POST', `/swatches/${swatch}/open`)).body;
    expect(opened['copied']).toBe(true);
    const { body } = await spirals.hevrel.call('GET', `/designs/${opened['design'] as string}`);
    expect((body['design'] as Design).placements).toEqual(design.placements);
  });

  it('are not saved from a design that has moved on', async () => {
    const { id } = await spirals.create();
    const answer = await spirals.hevrel.call('POST', '/swatches', { design: id, revision: 7, name: 'Late' });
    expect(answer).toMatchObject({ status: 409 });
    expect(answer.body['detail']).toMatch(/No swatch was saved/);
  });
});

it('has written nothing to its log', () => {
  expect(spirals.hevrel.log).toEqual([]);
});
