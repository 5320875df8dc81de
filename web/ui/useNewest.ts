import { useEffect, useRef, useState } from 'react';
import { messageOf } from '../../core/problem/index.ts';

/** What came of the newest wish that is done. */
export interface Newest<W, T> {
  readonly done: { readonly of: W; readonly result: T } | undefined;
  /** Why the last one could not be done. */
  readonly failure: string | undefined;
  /** Whether one is under way. */
  readonly isBusy: boolean;
}

/**
 * Has work done for a wish whenever that changes, one at a time: of what is wished meanwhile only the newest is done after it.
 *
 * @param isSame whether two wishes come to the same, so that nothing is done anew
 */
export function useNewest<W, T>(wish: W, isSame: (a: W, b: W) => boolean, work: (wish: W) => Promise<T>): Newest<W, T> {
  const [newest, setNewest] = useState<Newest<W, T>>({ done: undefined, failure: undefined, isBusy: false });
  const wanted = useRef(wish);
  const begun = useRef<W>(undefined);
  const isBusy = useRef(false);
  const isGone = useRef(false);
  const working = useRef(work);
  useEffect(() => {
    isGone.current = false;
    return () => void (isGone.current = true);
  }, []);
  useEffect(() => {
    wanted.current = wish;
    working.current = work;
    const look = (): void => {
      const next = wanted.current;
      if (isBusy.current || isGone.current || (begun.current !== undefined && isSame(begun.current, next))) return;
      isBusy.current = true;
      begun.current = next;
      setNewest((before) => ({ ...before, isBusy: true }));
      void working
        .current(next)
        .then(
          (result): Partial<Newest<W, T>> => ({ done: { of: next, result }, failure: undefined }),
          (error: unknown): Partial<Newest<W, T>> => ({ failure: messageOf(error) }),
        )
        .then((outcome) => {
          isBusy.current = false;
          if (!isGone.current) setNewest((before) => ({ ...before, ...outcome, isBusy: false }));
          look();
        });
    };
    look();
  });
  return newest;
}
