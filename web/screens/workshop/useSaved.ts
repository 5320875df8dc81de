import { useEffect, useRef } from 'react';
import { PAUSE_MS } from '../../ui/useHistory.ts';

/** Has every state saved once the hand pauses, and the last when the page is left. The first is saved already. */
export function useSaved<T>(value: T, save: (value: T) => void): void {
  const own = useRef({ save, saved: value, value });
  useEffect(() => {
    own.current.save = save;
    own.current.value = value;
    const timer = setTimeout(() => flush(own.current), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [value, save]);
  useEffect(() => {
    const last = own.current;
    return () => flush(last);
  }, []);
}

function flush<T>(own: { save: (value: T) => void; saved: T; value: T }): void {
  if (own.saved === own.value) return;
  own.saved = own.value;
  own.save(own.value);
}
