// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { PAUSE_MS, useHistory } from './useHistory.ts';

afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

describe('a history', () => {
  it('takes changes of a field without a pause as one, and all others each by itself', () => {
    vi.useFakeTimers();
    const { result } = renderHook(() => useHistory(0));
    const change = (next: number, field?: string): void => act(() => result.current.change(next, field));
    change(1);
    change(2);
    change(3, 'width');
    change(4, 'width');
    change(5, 'height');
    vi.advanceTimersByTime(PAUSE_MS + 1);
    change(6, 'height');
    const back: number[] = [];
    while (result.current.canUndo) {
      act(() => result.current.undo());
      back.push(result.current.value);
    }
    expect(back).toEqual([5, 4, 2, 1, 0]);
    while (result.current.canRedo) act(() => result.current.redo());
    expect(result.current.value).toBe(6);
  });

  it('forgets what was undone once something else is changed', () => {
    const { result } = renderHook(() => useHistory('a'));
    act(() => result.current.change('b'));
    act(() => result.current.undo());
    act(() => result.current.change('c'));
    expect([result.current.value, result.current.canRedo]).toEqual(['c', false]);
    act(() => result.current.undo());
    expect([result.current.value, result.current.canUndo]).toEqual(['a', false]);
  });
});
