// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { useKeptHistory } from './useKeptHistory.ts';

const asNumber = (value: unknown): number => {
  if (typeof value !== 'number') throw new TypeError('no number');
  return value;
};
const opened = (key = 'one', first = 1) => renderHook(() => useKeptHistory(key, first, asNumber));

beforeEach(() => localStorage.clear());
afterEach(cleanup);

describe('work that is not done', () => {
  it('is gone on with where it was left, one step after where it began', () => {
    const { result, unmount } = opened();
    act(() => result.current.change(2));
    act(() => result.current.change(3));
    unmount();
    const again = opened().result;
    expect(again.current.value).toBe(3);
    expect(opened('another').result.current.value).toBe(1);
    act(() => again.current.undo());
    expect([again.current.value, again.current.canUndo]).toEqual([1, false]);
    // Taken back to its beginning there is nothing left to go on with.
    expect(localStorage).toHaveLength(0);
  });

  it('is forgotten once it is kept elsewhere, until it goes on', () => {
    const { result, unmount } = opened();
    act(() => result.current.change(2));
    act(() => {
      result.current.done();
    });
    expect(localStorage).toHaveLength(0);
    act(() => result.current.change(5));
    unmount();
    expect(opened().result.current.value).toBe(5);
  });

  it('that cannot be read is begun anew', () => {
    localStorage.setItem('hevrel.work.one', '{"a":');
    expect(opened().result.current.value).toBe(1);
    localStorage.setItem('hevrel.work.two', '"three"');
    expect(opened('two').result.current.value).toBe(1);
  });
});
