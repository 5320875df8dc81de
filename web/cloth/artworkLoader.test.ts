import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { DrawnMotif, Motif } from '../../core/motif/index.ts';
import { LEAF, LEAF_RECORD } from '../../core/testing/arbitraries.ts';
import { ArtworkLoader } from './artworkLoader.ts';

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

function setUp() {
  const fetchMotif = vi.fn((motif: Motif): Promise<DrawnMotif> => Promise.resolve({ motif, artwork: LEAF }));
  const onLoaded = vi.fn();
  const onProblem = vi.fn();
  return { fetchMotif, onLoaded, onProblem, loader: new ArtworkLoader(fetchMotif, onLoaded, onProblem) };
}

describe('the artwork loader', () => {
  it('fetches each artwork once, however often it is wanted', async () => {
    const { loader, fetchMotif, onLoaded } = setUp();
    for (let n = 0; n < 5; n += 1) loader.want(LEAF_RECORD);
    await vi.advanceTimersByTimeAsync(0);
    loader.want(LEAF_RECORD);
    expect(fetchMotif).toHaveBeenCalledOnce();
    expect(onLoaded).toHaveBeenCalledOnce();
    expect(loader.drawn.get(LEAF_RECORD.id)?.artwork).toBe(LEAF);
  });

  it('serves a motif that was renamed or resized with the artwork at hand, and fetches what was replaced', async () => {
    const { loader, fetchMotif } = setUp();
    loader.want(LEAF_RECORD);
    await vi.advanceTimersByTimeAsync(0);
    const wider = { ...LEAF_RECORD, width: 90 };
    loader.want(wider);
    expect(loader.drawn.get(LEAF_RECORD.id)?.motif).toBe(wider);
    loader.want({ ...wider, artwork: 'another' });
    expect(fetchMotif).toHaveBeenCalledTimes(2);
  });

  it('asks again for what failed after pauses that grow, and not at every update', async () => {
    const { loader, fetchMotif, onLoaded, onProblem } = setUp();
    fetchMotif.mockImplementation(() => Promise.reject(new Error('offline')));
    loader.want(LEAF_RECORD);
    await vi.advanceTimersByTimeAsync(0);
    expect(onProblem).toHaveBeenLastCalledWith(
      expect.stringMatching(/“Leaf” could not be loaded \(offline\).*keeps trying/),
    );
    for (let n = 0; n < 100; n += 1) loader.want(LEAF_RECORD);
    await vi.advanceTimersByTimeAsync(900);
    expect(fetchMotif).toHaveBeenCalledTimes(1);
    await vi.advanceTimersByTimeAsync(200);
    expect(fetchMotif).toHaveBeenCalledTimes(2);
    await vi.advanceTimersByTimeAsync(2800);
    expect(fetchMotif).toHaveBeenCalledTimes(2);
    fetchMotif.mockImplementation((motif: Motif) => Promise.resolve({ motif, artwork: LEAF }));
    await vi.advanceTimersByTimeAsync(300);
    expect(onLoaded).toHaveBeenCalledOnce();
    expect(onProblem).toHaveBeenLastCalledWith(undefined);
  });

  it('says nothing once it is closed', async () => {
    const { loader, fetchMotif, onLoaded, onProblem } = setUp();
    loader.want(LEAF_RECORD);
    loader.close();
    await vi.advanceTimersByTimeAsync(60_000);
    expect([onLoaded.mock.calls.length, onProblem.mock.calls.length, fetchMotif.mock.calls.length]).toEqual([0, 0, 1]);
  });
});
