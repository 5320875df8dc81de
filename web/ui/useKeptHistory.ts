import { useEffect, useRef, useState } from 'react';
import { forget, keep, read } from './browserKeep.ts';
import { type History, useHistory } from './useHistory.ts';

/** A history whose value the browser keeps until it is done with. */
export interface KeptHistory<T> extends History<T> {
  /** Says that what was made is kept elsewhere now. */
  done(): void;
}

/**
 * Goes on with what was not done when its page was left; one step back is then where it begins.
 *
 * @param key what is worked on
 * @param first what it begins with
 * @param readAs reads what was kept, and throws where it is nothing of the kind
 */
export function useKeptHistory<T>(key: string, first: T, readAs: (value: unknown) => T): KeptHistory<T> {
  const place = `hevrel.work.${key}`;
  const [left] = useState(() => read(place, readAs));
  const history = useHistory(first, left);
  const { value, canUndo } = history;
  const finished = useRef<T>(undefined);
  useEffect(() => {
    if (canUndo && value !== finished.current) keep(place, value);
    else forget(place);
  }, [place, value, canUndo]);
  const done = (): void => {
    finished.current = value;
    // At once: the page may be left before its effects run.
    forget(place);
  };
  return { ...history, done };
}
