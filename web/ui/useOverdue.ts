import { useEffect, useState } from 'react';

/** What takes no longer needs no sign, ms. */
const SOON_MS = 300;

/** Whether work has been going on for so long that it needs a sign. */
export function useOverdue(isBusy: boolean): boolean {
  const [isOverdue, setOverdue] = useState(false);
  useEffect(() => {
    if (!isBusy) return;
    const timer = setTimeout(() => setOverdue(true), SOON_MS);
    return () => {
      clearTimeout(timer);
      setOverdue(false);
    };
  }, [isBusy]);
  return isOverdue;
}
