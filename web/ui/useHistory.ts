import { useCallback, useRef, useState } from 'react';

/** After a pause of so many ms the next change of a field is one of its own. */
export const PAUSE_MS = 500;

/** A value with undo and redo. */
export interface History<T> {
  readonly value: T;
  /**
   * @param field what is changed, where many changes of it without a pause are one, such as those of a slider; a change
   *   without a field is always one of its own
   */
  change(next: T, field?: string): void;
  undo(): void;
  redo(): void;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/** @param left what `first` had been changed to when it was left */
export function useHistory<T>(first: T, left?: T): History<T> {
  const [{ value, past, future }, set] = useState<{ value: T; past: readonly T[]; future: readonly T[] }>({
    value: left ?? first,
    past: left === undefined ? [] : [first],
    future: [],
  });
  const lastChange = useRef<{ readonly at: number; readonly field: string | undefined }>({ at: 0, field: undefined });
  return {
    value,
    change: useCallback((next: T, field?: string) => {
      const at = Date.now();
      const last = lastChange.current;
      const goesOn = field !== undefined && field === last.field && at - last.at < PAUSE_MS;
      lastChange.current = { at, field };
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
