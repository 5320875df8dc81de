import { useCallback, useRef, useState } from 'react';

/** A hand that stops for so long has done something, ms. */
export const PAUSE_MS = 500;

/** A value with undo and redo. What a hand does without a pause is one change. */
export interface History<T> {
  readonly value: T;
  change(next: T): void;
  undo(): void;
  redo(): void;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

export function useHistory<T>(first: T): History<T> {
  const [{ value, past, future }, set] = useState<{ value: T; past: readonly T[]; future: readonly T[] }>({
    value: first,
    past: [],
    future: [],
  });
  const lastChange = useRef(0);
  return {
    value,
    change: useCallback((next: T) => {
      const now = Date.now();
      const goesOn = now - lastChange.current < PAUSE_MS;
      lastChange.current = now;
      set((old) => ({
        value: next,
        past: goesOn && old.past.length > 0 ? old.past : [...old.past, old.value],
        future: [],
      }));
    }, []),
    undo: useCallback(
      () =>
        set((old) =>
          old.past.length === 0
            ? old
            : { value: old.past.at(-1) as T, past: old.past.slice(0, -1), future: [old.value, ...old.future] },
        ),
      [],
    ),
    redo: useCallback(
      () =>
        set((old) =>
          old.future.length === 0
            ? old
            : { value: old.future[0] as T, past: [...old.past, old.value], future: old.future.slice(1) },
        ),
      [],
    ),
    canUndo: past.length > 0,
    canRedo: future.length > 0,
  };
}
