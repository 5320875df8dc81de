import type { Since } from '../../contract/index.ts';
import { Session } from './session.ts';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Command, newDesign } from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { ApiProblem, Unreachable } from '../api/client.ts';
import { Presence } from './presence.ts';
import { Saver } from './saver.ts';

const rename = (name: string): Command => ({ type: 'name', name });
const START = newDesign('d', 'Kelp', { width: 100, height: 100, step: SQUARE });

/** A window, and a server that holds a revision with what others saved. */
function setUp() {
  const session = new Session(START);
  const others: { editing: boolean }[] = [];
  const saves: { save: string; commands: Command[] }[] = [];
  const since = vi.fn((revision: number): Promise<Since> =>
    Promise.resolve({ revision: 1 + saves.length, saves: saves.slice(revision - 1), others }),
  );
  const send = vi.fn((save: string, revision: number, commands: readonly Command[]) => {
    if (revision !== 1 + saves.length) return Promise.reject(new ApiProblem(409, 'Changed elsewhere.'));
    saves.push({ save, commands: [...commands] });
    return Promise.resolve({ revision: 1 + saves.length });
  });
  const fork = vi.fn(() => Promise.resolve());
  const read = vi.fn(() => Promise.resolve({ design: { ...START, name: 'Read whole' }, revision: 99, updatedAt: '' }));
  const saver = new Saver(session, 1, { send, since, fork, read, store: () => undefined });
  const leave = vi.fn();
  const presence = new Presence(saver, { since, leave }, () => false);
  return { session, others, saves, since, send, fork, read, saver, presence, leave };
}

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

describe('presence', () => {
  it('is heard of, and what it did is taken up and told', async () => {
    const { session, others, saves, saver, presence, leave } = setUp();
    saver.open();
    presence.open();
    await vi.advanceTimersByTimeAsync(10);
    expect(presence.others.getState()).toEqual({ windows: 0, editing: false });
    others.push({ editing: true });
    saves.push({ save: 'theirs', commands: [rename('Tide')] });
    await vi.advanceTimersByTimeAsync(2000);
    expect(presence.others.getState()).toEqual({ windows: 1, editing: true, last: 'renamed it “Tide”' });
    expect(session.state.design.name).toBe('Tide');
    expect(saver.revision).toBe(2);
    others.length = 0;
    await vi.advanceTimersByTimeAsync(2000);
    expect(presence.others.getState()).toEqual({ windows: 0, editing: false });
    presence.close();
    expect(leave).toHaveBeenCalledOnce();
  });

  it('is not listened to while something here waits; the two are brought together at the server', async () => {
    const { session, saves, saver, presence, fork } = setUp();
    saver.open();
    presence.open();
    await vi.advanceTimersByTimeAsync(10);
    session.commit('ground', { type: 'ground', ground: { kind: 'none' } });
    saves.push({ save: 'theirs', commands: [rename('Tide')] });
    await presence.ask();
    expect(session.state.design.name).toBe('Kelp');
    await vi.advanceTimersByTimeAsync(1500);
    expect(session.state.design).toMatchObject({ name: 'Tide', ground: { kind: 'none' } });
    expect(saves.map(({ commands }) => commands[0]?.type)).toEqual(['name', 'ground']);
    expect(saver.getState().kind).toBe('saved');
    expect(fork).not.toHaveBeenCalled();
  });

  it('that changed the same is kept apart', async () => {
    const { session, saves, saver, fork } = setUp();
    saver.open();
    session.commit('name', rename('Ebb'));
    saves.push({ save: 'theirs', commands: [rename('Tide')] });
    await vi.advanceTimersByTimeAsync(1500);
    expect(saver.getState().kind).toBe('parted');
    expect(fork).toHaveBeenCalledOnce();
    expect(session.state.design.name).toBe('Ebb');
  });

  it('a refusal whose reason cannot be asked for is tried again and not taken for a parting', async () => {
    const { session, saves, saver, since, fork } = setUp();
    saver.open();
    session.commit('ground', { type: 'ground', ground: { kind: 'none' } });
    saves.push({ save: 'theirs', commands: [rename('Tide')] });
    since.mockRejectedValueOnce(new Unreachable());
    await vi.advanceTimersByTimeAsync(400);
    expect(saver.getState().kind).toBe('waiting');
    await vi.advanceTimersByTimeAsync(5000);
    expect(saver.getState().kind).toBe('saved');
    expect(fork).not.toHaveBeenCalled();
    expect(session.state.design).toMatchObject({ name: 'Tide', ground: { kind: 'none' } });
  });

  it('too far ahead is read whole, unless something was done here meanwhile', async () => {
    const { session, saver, read } = setUp();
    expect(await saver.takeUp({ revision: 99, saves: null })).toEqual([]);
    expect(session.state.design.name).toBe('Read whole');
    expect(saver.revision).toBe(99);
    read.mockImplementationOnce(() => {
      session.commit('name', rename('Meanwhile'));
      return Promise.resolve({ design: START, revision: 120, updatedAt: '' });
    });
    await saver.takeUp({ revision: 120, saves: null });
    expect(session.state.design.name).toBe('Meanwhile');
  });
});
