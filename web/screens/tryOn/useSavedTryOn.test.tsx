// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { TryOn } from '../../../core/tryon/index.ts';
import { useSavedTryOn } from './useSavedTryOn.ts';

const FIRST: TryOn = {
  version: 1,
  name: 'Mug',
  product: 'mug',
  source: { design: 'd' },
  scale: 1,
  rotation: 0,
  wall: undefined,
  pieces: [],
};

interface Sent {
  readonly revision: number;
  readonly rotation: number;
  readonly answer: (status: number, body: object) => Promise<void>;
  readonly lose: () => Promise<void>;
}

let sent: Sent[];

beforeEach(() => {
  vi.useFakeTimers();
  sent = [];
  vi.stubGlobal(
    'fetch',
    (_path: string, init: { readonly body: string }) =>
      new Promise((resolve, reject) => {
        const { revision, tryOn } = JSON.parse(init.body) as { revision: number; tryOn: TryOn };
        const settled = (settle: () => void): Promise<void> =>
          act(async () => {
            settle();
            await vi.advanceTimersByTimeAsync(0);
          });
        sent.push({
          revision,
          rotation: tryOn.rotation,
          answer: (status, body) =>
            settled(() => resolve({ ok: status < 300, status, text: () => Promise.resolve(JSON.stringify(body)) })),
          lose: () => settled(() => reject(new TypeError('no network'))),
        });
      }),
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

function open() {
  const client = new QueryClient();
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result, rerender, unmount } = renderHook((tryOn: TryOn) => useSavedTryOn('t', 4, tryOn), {
    initialProps: FIRST,
    wrapper,
  });
  return {
    state: () => result.current,
    turn: (rotation: number) => rerender({ ...FIRST, rotation }),
    wait: (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms)),
    leave: unmount,
  };
}
const told = (): [number, number][] => sent.map(({ revision, rotation }) => [revision, rotation]);

describe('a try-on', () => {
  it('is saved once the hand rests, over the revision that came back last', async () => {
    const { state, turn, wait } = open();
    await wait(5000);
    expect(sent).toEqual([]);
    expect(state().state).toBe('saved');
    turn(10);
    expect(state().state).toBe('saving');
    await wait(100);
    turn(20);
    await wait(100);
    turn(30);
    await wait(1000);
    expect(told()).toEqual([[4, 30]]);
    await sent[0]?.answer(200, { revision: 5 });
    expect(state()).toEqual({ state: 'saved', why: undefined });
    turn(40);
    await wait(1000);
    expect(told()).toEqual([
      [4, 30],
      [5, 40],
    ]);
  });

  it('goes on to what was changed while it was being saved', async () => {
    const { state, turn, wait } = open();
    turn(10);
    await wait(1000);
    turn(20);
    await wait(1000);
    expect(told()).toEqual([[4, 10]]);
    await sent[0]?.answer(200, { revision: 5 });
    expect(told()).toEqual([
      [4, 10],
      [5, 20],
    ]);
    expect(state().state).toBe('saving');
    await sent[1]?.answer(200, { revision: 6 });
    expect(state().state).toBe('saved');
  });

  it('is sent again until a server that is away is back, and says so meanwhile', async () => {
    const { state, turn, wait } = open();
    turn(10);
    await wait(1000);
    await sent[0]?.lose();
    expect(state().state).toBe('waiting');
    expect(state().why).toMatch(/does not answer/);
    await wait(10_000);
    expect(told()).toEqual([
      [4, 10],
      [4, 10],
    ]);
    await sent[1]?.answer(200, { revision: 5 });
    expect(state()).toEqual({ state: 'saved', why: undefined });
  });

  it('is not sent again and again where another window came first', async () => {
    const { state, turn, wait } = open();
    turn(10);
    await wait(1000);
    await sent[0]?.answer(409, { detail: 'This try-on was changed in another window meanwhile.' });
    await wait(60_000);
    expect(sent).toHaveLength(1);
    expect(state()).toEqual({ state: 'waiting', why: 'This try-on was changed in another window meanwhile.' });
  });

  it('is saved as it is left, without waiting for the hand to rest', async () => {
    const { turn, wait, leave } = open();
    turn(10);
    await wait(50);
    leave();
    expect(told()).toEqual([[4, 10]]);
    await sent[0]?.answer(200, { revision: 5 });
    await wait(60_000);
    expect(sent).toHaveLength(1);
  });

  it('is saved as it is left while an earlier state is on its way, over the revision that this will be', async () => {
    const { turn, wait, leave } = open();
    turn(10);
    await wait(1000);
    turn(20);
    leave();
    expect(told()).toEqual([
      [4, 10],
      [5, 20],
    ]);
  });
});
