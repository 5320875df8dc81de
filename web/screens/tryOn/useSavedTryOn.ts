import { nanoid } from 'nanoid';
import { useEffect, useRef, useState } from 'react';
import type { TryOn } from '../../../core/tryon/index.ts';
import { ApiProblem } from '../../api/client.ts';
import { saveTryOn, useTryOnListRefresh } from '../../api/tryOns.ts';

/** Changes are saved once the hand has rested for so many ms, and tried again after so many where that failed. */
const [REST_MS, AGAIN_MS] = [400, 3000];

/** Whether a try-on is saved, and what went wrong where it is not. */
export interface Saving {
  readonly state: 'saved' | 'saving' | 'waiting';
  readonly why: string | undefined;
}

/** Names of saves, one for each state of a try-on: what is sent again is the same save. */
const names = new WeakMap<TryOn, string>();

function nameOf(tryOn: TryOn): string {
  const name = names.get(tryOn) ?? nanoid();
  names.set(tryOn, name);
  return name;
}

/** Saves a try-on by itself whenever it changes; what could not be saved is tried again until it is. */
export function useSavedTryOn(id: string, revision: number, tryOn: TryOn): Saving {
  // What became of the last one that was sent.
  const [outcome, setOutcome] = useState<{ readonly of: TryOn; readonly why: string | undefined }>({
    of: tryOn,
    why: undefined,
  });
  const known = useRef({ revision, saved: tryOn });
  const latest = useRef(tryOn);
  const isBusy = useRef(false);
  const refresh = useTryOnListRefresh();

  useEffect(() => {
    latest.current = tryOn;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const save = async (): Promise<void> => {
      const next = latest.current;
      if (isBusy.current || next === known.current.saved) return;
      isBusy.current = true;
      try {
        const { revision: now } = await saveTryOn(id, known.current.revision, next, nameOf(next));
        known.current = { revision: now, saved: next };
        setOutcome({ of: next, why: undefined });
      } catch (error) {
        const why = error instanceof Error ? error.message : String(error);
        setOutcome({ of: next, why });
        // What the server will not have any more of is not sent again and again.
        if (!(error instanceof ApiProblem && error.status < 500)) timer = setTimeout(() => void save(), AGAIN_MS);
        return;
      } finally {
        isBusy.current = false;
      }
      if (latest.current !== known.current.saved) void save();
    };
    if (tryOn !== known.current.saved) timer = setTimeout(() => void save(), REST_MS);
    return () => clearTimeout(timer);
  }, [id, tryOn]);

  useEffect(() => {
    const leave = (): void => {
      const { revision: from, saved } = known.current;
      const next = latest.current;
      if (next === saved) return;
      known.current = { revision: from, saved: next };
      // What is on its way counts as one revision more. Where it fails there is nobody to be told; a page that comes back tries again.
      saveTryOn(id, isBusy.current ? from + 1 : from, next, nameOf(next)).then(
        ({ revision: now }) => {
          known.current = { revision: now, saved: next };
          refresh();
        },
        () => void (known.current = { revision: from, saved }),
      );
    };
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
      refresh();
    };
    // Once, when the screen is left.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [id]);

  const { of, why } = outcome;
  return { state: why !== undefined ? 'waiting' : of === tryOn ? 'saved' : 'saving', why };
}
