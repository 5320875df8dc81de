import { Session } from './session.ts';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Command, newDesign } from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { ApiProblem, Unreachable } from '../api/client.ts';
import { Saver, type SaveTransport, type Unsaved } from './saver.ts';

const rename = (name: string): Command => ({ type: 'name', name });

function setUp() {
  const session = new Session(newDesign('d', 'Kelp', { width: 100, height: 100, step: SQUARE }));
  const send =
    vi.fn<
      (save: string, revision: number, commands: readonly Command[], leaving: boolean) => Promise<{ revision: number }>
    >();
  const fork = vi.fn<(why: string) => Promise<void>>(() => Promise.resolve());
  send.mockImplementation((_save, revision) => Promise.resolve({ revision: revision + 1 }));
  const store = vi.fn<(unsaved: Unsaved | undefined) => void>();
  const since = vi.fn<SaveTransport['since']>((revision) => Promise.resolve({ revision, saves: [], others: [] }));
  const read = vi.fn<SaveTransport['read']>(() => Promise.reject(new Error('not asked for')));
  const saver = new Saver(session, 1, { send, fork, store, since, read });
  saver.open();
  return { session, send, fork, store, since, read, saver };
}

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

describe('the saver', () => {
  it('saves an edit within a second, and several in one go', async () => {
    const { session, send, saver } = setUp();
    session.commit('name', rename('Tide'));
    session.commit('name', rename('Ebb'));
    expect(saver.getState().kind).toBe('saving');
    await vi.advanceTimersByTimeAsync(900);
    expect(send).toHaveBeenCalledTimes(1);
    expect(send.mock.calls[0]?.[2]).toEqual([rename('Tide'), rename('Ebb')]);
    expect(saver.getState().kind).toBe('saved');
    expect(saver.revision).toBe(2);
  });

  it('keeps every edit before it is sent, under the name that it is then sent under, until it is acknowledged', async () => {
    const { session, send, store } = setUp();
    let answer: (to: { revision: number }) => void = () => undefined;
    send.mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)));
    session.commit('name', rename('Tide'));
    const first = store.mock.calls.at(-1)?.[0];
    expect(first).toMatchObject({ revision: 1, batches: [{ commands: [rename('Tide')] }], document: { name: 'Tide' } });
    await vi.advanceTimersByTimeAsync(400);
    expect(send.mock.calls[0]?.[0]).toBe(first?.batches[0]?.save);
    // While the first is on its way another is done: both are kept, each under its own name.
    session.commit('name', rename('Ebb'));
    const both = store.mock.calls.at(-1)?.[0];
    expect(both?.batches.map(({ commands }) => commands)).toEqual([[rename('Tide')], [rename('Ebb')]]);
    expect(both?.batches[0]?.save).toBe(first?.batches[0]?.save);
    answer({ revision: 2 });
    await vi.advanceTimersByTimeAsync(0);
    expect(store.mock.calls.at(-1)?.[0]).toMatchObject({ revision: 2, batches: [{ commands: [rename('Ebb')] }] });
    await vi.advanceTimersByTimeAsync(900);
    expect(send.mock.calls[1]?.[0]).toBe(both?.batches[1]?.save);
    expect(store.mock.calls.at(-1)?.[0]).toBeUndefined();
  });

  it('does not count a preview as an edit', async () => {
    const { session, send, saver } = setUp();
    session.preview(rename('Tide'));
    await vi.advanceTimersByTimeAsync(2000);
    expect(send).not.toHaveBeenCalled();
    expect(saver.getState().kind).toBe('saved');
  });

  it('goes on trying under the same name while the server is away, and loses nothing', async () => {
    const { session, send, saver } = setUp();
    send.mockRejectedValueOnce(new Unreachable()).mockRejectedValueOnce(new ApiProblem(500, 'Something went wrong'));
    session.commit('name', rename('Tide'));
    await vi.advanceTimersByTimeAsync(400);
    expect(saver.getState()).toMatchObject({ kind: 'waiting' });
    session.commit('name', rename('Ebb'));
    await vi.advanceTimersByTimeAsync(20_000);
    expect(saver.getState().kind).toBe('saved');
    const [first, second, third, fourth] = send.mock.calls;
    expect([second?.[0], third?.[0]]).toEqual([first?.[0], first?.[0]]);
    expect(third?.[2]).toEqual([rename('Tide')]);
    expect(fourth?.[2]).toEqual([rename('Ebb')]);
    expect(fourth?.[0]).not.toBe(first?.[0]);
  });

  it('parts once, and sends nothing more, when the server holds another version', async () => {
    const { session, send, fork, saver } = setUp();
    send.mockRejectedValueOnce(new ApiProblem(409, 'changed elsewhere'));
    session.commit('name', rename('Tide'));
    await vi.advanceTimersByTimeAsync(400);
    session.commit('name', rename('Ebb'));
    await vi.advanceTimersByTimeAsync(20_000);
    expect(fork).toHaveBeenCalledTimes(1);
    expect(send).toHaveBeenCalledTimes(1);
    expect(saver.getState().kind).toBe('parted');
    await expect(saver.flush()).rejects.toThrow('changed elsewhere');
  });

  it('flushes at once and tells the revision', async () => {
    const { session, saver } = setUp();
    session.commit('name', rename('Tide'));
    expect(await saver.flush()).toBe(2);
    expect(session.state.pending).toHaveLength(0);
  });
});
