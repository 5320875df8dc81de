// @vitest-environment jsdom
import { cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Command } from '../../../../core/document/index.ts';
import { useRestingEdit } from './useRestingEdit.ts';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

function edited() {
  const [shown, taken, remembered]: [Command[], Command[], string[]] = [[], [], []];
  const editor = {
    commit: (_label: string, command: Command) => taken.push(command) > 0,
    session: { preview: (command: Command) => void shown.push(command) },
  };
  const commandFor = (name: string): Command => ({ type: 'name', name });
  const hook = renderHook(() =>
    useRestingEdit(
      commandFor,
      () => 'Renamed',
      // Of an editor, only what the hook uses.
      editor as unknown as Parameters<typeof useRestingEdit>[2],
      (name: string) => remembered.push(name),
    ),
  );
  return { hook, shown, taken, remembered, commandFor };
}

it('shows every value and takes the one where the hand rests, once', () => {
  const { hook, shown, taken, remembered, commandFor } = edited();
  for (const name of ['a', 'b', 'c']) hook.result.current.show(name);
  expect(shown).toEqual(['a', 'b', 'c'].map(commandFor));
  expect(taken).toEqual([]);
  vi.advanceTimersByTime(1000);
  expect(taken).toEqual([commandFor('c')]);
  expect(remembered).toEqual(['c']);
});

it('takes what is only shown before something else is done, and not again afterwards', () => {
  const { hook, taken, commandFor } = edited();
  hook.result.current.show('a');
  hook.result.current.settle();
  hook.result.current.settle();
  vi.advanceTimersByTime(1000);
  expect(taken).toEqual([commandFor('a')]);
});

it('takes a value at once in place of what was shown, and what is shown when it goes away', () => {
  const { hook, taken, commandFor } = edited();
  hook.result.current.show('a');
  hook.result.current.take('b');
  vi.advanceTimersByTime(1000);
  expect(taken).toEqual([commandFor('b')]);
  hook.result.current.show('c');
  hook.unmount();
  expect(taken).toEqual(['b', 'c'].map(commandFor));
});
