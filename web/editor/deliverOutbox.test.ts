import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { newDesign } from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { deliverOutbox, lockOf } from './deliverOutbox.ts';
import { removeFromOutbox, putInOutbox, outboxOf, type OutboxEntry } from './outbox.ts';

const edits = (key: string, rest: Partial<OutboxEntry> = {}): OutboxEntry => ({
  key,
  design: 'd',
  revision: 3,
  batches: [
    { save: `${key}-1`, commands: [{ type: 'name', name: 'Tide' }] },
    {
      save: `${key}-2`,
      commands: [
        { type: 'name', name: 'Ebb' },
        { type: 'ground', ground: { kind: 'none' } },
      ],
    },
  ],
  document: { ...newDesign('d', 'Ebb', { width: 100, height: 100, step: SQUARE }), ground: { kind: 'none' } },
  ...rest,
});

/** Locks as a browser has them, as far as they are asked for. */
const held = new Set<string>();
const locks = {
  request: (name: string, _options: object, run: (lock: object | null) => Promise<void>) =>
    run(held.has(name) ? null : {}),
};
const calls: { method: string; path: string; body: Record<string, unknown> }[] = [];
let answer: (path: string, body: Record<string, unknown>) => Response | Promise<Response>;

beforeEach(async () => {
  held.clear();
  calls.length = 0;
  vi.stubGlobal('navigator', { locks, sendBeacon: () => true });
  vi.stubGlobal('fetch', (path: string, { method, body }: { method: string; body?: string }) => {
    const read = JSON.parse(body ?? '{}') as Record<string, unknown>;
    calls.push({ method, path, body: read });
    return Promise.resolve(answer(path, read));
  });
  answer = (_path, { revision }) => Response.json({ revision: Number(revision) + 1 });
  for (const { key } of await outboxOf('d')) await removeFromOutbox(key);
});

describe('edits of an earlier window', () => {
  it('go to the server in order, under the names they had, and are forgotten then', async () => {
    await putInOutbox(edits('a'));
    await putInOutbox(edits('other', { design: 'elsewhere' }));
    expect(await deliverOutbox('d')).toEqual({ saved: 3, parted: [] });
    expect(calls.map(({ body }) => [body['save'], body['revision']])).toEqual([
      ['a-1', 3],
      ['a-2', 4],
    ]);
    expect(await outboxOf('d')).toEqual([]);
    expect(await outboxOf('elsewhere')).toHaveLength(1);
    expect(await deliverOutbox('d')).toEqual({ saved: 0, parted: [] });
  });

  it('are left to the window that is still looking after them', async () => {
    await putInOutbox(edits('a'));
    held.add(lockOf('a'));
    expect(await deliverOutbox('d')).toEqual({ saved: 0, parted: [] });
    expect(calls).toEqual([]);
    expect(await outboxOf('d')).toHaveLength(1);
  });

  it('go on top of what was changed elsewhere meanwhile, where the two have nothing in common', async () => {
    await putInOutbox(edits('a'));
    let gone = false;
    answer = (path, body) => {
      // The first batch had arrived before, unacknowledged; then somebody moved a motif.
      if (path.includes('/since/'))
        return Response.json({
          revision: 5,
          saves: [
            { save: 'a-1', commands: [{ type: 'name', name: 'Tide' }] },
            { save: 'b-1', commands: [{ type: 'change', changes: { m: { x: 1 } } }] },
          ],
          others: [],
        });
      if (body?.['save'] === 'a-1') return Response.json({ revision: 4 });
      if (body?.['revision'] === 4) return Response.json({ detail: 'It was changed elsewhere.' }, { status: 409 });
      gone = body?.['revision'] === 5;
      return Response.json({ revision: 6 });
    };
    expect(await deliverOutbox('d')).toEqual({ saved: 3, parted: [] });
    expect(gone).toBe(true);
    expect(await outboxOf('d')).toEqual([]);
  });

  it('become a design of their own where the server has gone on without them', async () => {
    await putInOutbox(edits('a'));
    answer = (path) =>
      path.includes('/since/')
        ? Response.json({
            revision: 9,
            saves: [{ save: 'b-1', commands: [{ type: 'name', name: 'Flood' }] }],
            others: [],
          })
        : path.endsWith('/designs')
          ? Response.json({ design: {}, revision: 1 }, { status: 201 })
          : Response.json({ detail: 'It was changed elsewhere.' }, { status: 409 });
    expect(await deliverOutbox('d')).toEqual({ saved: 0, parted: ['Ebb, kept edits'] });
    expect(calls.at(-1)?.body).toMatchObject({ name: 'Ebb, kept edits', document: { ground: { kind: 'none' } } });
    expect(await outboxOf('d')).toEqual([]);
  });

  it('stay kept while the server is away', async () => {
    await putInOutbox(edits('a'));
    answer = () => Promise.reject(new TypeError('away'));
    await expect(deliverOutbox('d')).rejects.toThrow(/does not answer/);
    answer = () => new Response('', { status: 503 });
    await expect(deliverOutbox('d')).rejects.toThrow(/503/);
    expect(await outboxOf('d')).toEqual([edits('a')]);
  });
});
