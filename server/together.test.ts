import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Design } from '../core/document/index.ts';
import { SQUARE } from '../core/lattice/index.ts';
import { PresenceRegistry } from './presence.ts';
import type { Alternative, Since } from '../contract/index.ts';
import { openTestStudio, type TestStudio } from './testing/testStudio.ts';

let hevrel: TestStudio;

beforeAll(async () => {
  hevrel = await openTestStudio();
});

afterAll(() => hevrel.close());

const create = async (): Promise<Design> =>
  (await hevrel.call('POST', '/designs', { name: 'Kelp', repeat: { width: 100, height: 80, step: SQUARE } })).body[
    'design'
  ] as Design;
const rename = (
  id: string,
  revision: number,
  name: string,
  save = `save-from-${revision}`,
): ReturnType<TestStudio['call']> =>
  hevrel.call('PATCH', `/designs/${id}`, { save, revision, commands: [{ type: 'name', name }] });
const since = async (id: string, revision: number, window = 'one'): Promise<Since & { others: unknown[] }> =>
  (await hevrel.call('GET', `/designs/${id}/since/${revision}?window=${window}&editing=1`)).body as unknown as Since & {
    others: unknown[];
  };

describe('windows on the same design', () => {
  it('hear what was saved since the revision that they have', async () => {
    const { id } = await create();
    await rename(id, 1, 'Ebb');
    await rename(id, 2, 'Flood');
    expect(await since(id, 1)).toMatchObject({
      revision: 3,
      saves: [{ save: 'save-from-1', commands: [{ type: 'name', name: 'Ebb' }] }, { save: 'save-from-2' }],
    });
    expect((await since(id, 3)).saves).toEqual([]);
    // Far behind, or from nowhere: it has to be read whole.
    await hevrel.studio.database.query(
      'DELETE FROM saves USING designs WHERE saves.design = designs.number AND designs.id = $1 AND saves.revision = 2',
      [id],
    );
    expect((await since(id, 1)).saves).toBeNull();
    expect((await since(id, 2)).saves).toHaveLength(1);
  });

  it('count a save once however late it comes again', async () => {
    const { id } = await create();
    expect((await rename(id, 1, 'Ebb', 'the-first')).body).toEqual({ revision: 2 });
    await rename(id, 2, 'Flood');
    expect((await rename(id, 1, 'Ebb', 'the-first')).body).toEqual({ revision: 2 });
    expect((await hevrel.call('GET', `/designs/${id}`)).body).toMatchObject({ revision: 3, design: { name: 'Flood' } });
    expect((await rename(id, 1, 'Stale', 'another-save')).status).toBe(409);
  });

  it('know of each other until they leave or fall silent', async () => {
    const { id } = await create();
    expect((await since(id, 1, 'one')).others).toEqual([]);
    expect((await since(id, 1, 'two')).others).toEqual([{ editing: true }]);
    expect((await hevrel.call('POST', `/designs/${id}/windows/two/left`)).status).toBe(204);
    expect((await since(id, 1, 'one')).others).toEqual([]);
    let now = 0;
    const presence = new PresenceRegistry(() => now);
    presence.others('d', 'a', false);
    now += 29_000;
    expect(presence.others('d', 'b', true)).toEqual([{ editing: false }]);
    now += 2_000;
    expect(presence.others('d', 'b', true)).toEqual([]);
    expect(presence.others('other', 'b', true)).toEqual([]);
  });

  it.each([
    '/since/0?window=one',
    '/since/x?window=one',
    '/since/1',
    '/since/1?window=../x',
    '/since/1?window=one&editing=perhaps',
  ])('are refused what makes no sense: %s', async (path) => {
    const { id } = await create();
    const { status, body } = await hevrel.call('GET', `/designs/${id}${path}`);
    expect(status).toBe(400);
    expect(body['detail']).toMatch(/\.$/);
    expect((await hevrel.call('GET', '/designs/nowhere/since/1?window=one')).status).toBe(404);
  });
});

describe('alternatives', () => {
  it('keep the design as it is saved, or a document of it, under names', async () => {
    const design = await create();
    const path = `/designs/${design.id}/alternatives`;
    const first = await hevrel.call('POST', path, { name: 'Calm' });
    expect(first).toMatchObject({ status: 201, body: { name: 'Calm', motifs: 0 } });
    await rename(design.id, 1, 'Storm');
    await hevrel.call('POST', path, {
      name: 'Wide',
      document: { ...design, repeat: { ...design.repeat, width: 300 } },
    });
    const listed = (await hevrel.call('GET', path)).body as unknown as Alternative[];
    expect(listed.map(({ name }) => name)).toEqual(['Calm', 'Wide']);
    expect((await hevrel.call('GET', `${path}/${listed[1]?.id}`)).body).toMatchObject({
      id: design.id,
      repeat: { width: 300 },
    });
    expect((await hevrel.call('PATCH', `${path}/${listed[0]?.id}`, { name: 'Still' })).body).toMatchObject({
      name: 'Still',
    });
    expect((await hevrel.call('DELETE', `${path}/${listed[0]?.id}`)).status).toBe(204);
    expect((await hevrel.call('GET', path)).body).toMatchObject([{ name: 'Wide' }]);
    // What is kept does not follow the design, and changes nothing of it.
    expect((await hevrel.call('GET', `/designs/${design.id}`)).body).toMatchObject({
      revision: 2,
      design: { name: 'Storm', repeat: { width: 100 } },
    });
  });

  it('that make no sense are refused, with nothing kept', async () => {
    const { id } = await create();
    const path = `/designs/${id}/alternatives`;
    expect((await hevrel.call('POST', path, { name: ' ' })).status).toBe(400);
    expect((await hevrel.call('POST', path, { name: 'Broken', document: { version: 2 } })).status).toBe(422);
    expect((await hevrel.call('POST', '/designs/nowhere/alternatives', { name: 'Lost' })).status).toBe(404);
    for (const method of ['GET', 'DELETE']) expect((await hevrel.call(method, `${path}/nowhere`)).status).toBe(404);
    expect((await hevrel.call('PATCH', `${path}/nowhere`, { name: 'Lost' })).status).toBe(404);
    expect((await hevrel.call('GET', path)).body).toEqual([]);
  });
});
