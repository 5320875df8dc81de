import { useNotify, useNotifyProblem } from './Notices.tsx';
import { TEXTS } from './texts.ts';

/** What deletes a thing and restores it. */
interface Removal {
  mutateAsync(of: { readonly id: string; readonly deleted: boolean }): Promise<unknown>;
}

/**
 * Deletes a thing, and offers to restore it.
 *
 * @param sentence what is said once it is gone
 */
export function useRemoval(
  removal: Removal,
  sentence: (name: string) => string,
): (thing: { readonly id: string; readonly name: string }, onGone?: () => void) => void {
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  // By its promise, since whoever asked may be gone before the answer is dealt with.
  return ({ id, name }, onGone) =>
    void removal.mutateAsync({ id, deleted: true }).then(() => {
      const restore = (): void => void removal.mutateAsync({ id, deleted: false }).catch(notifyProblem);
      notify({ text: sentence(name), action: { label: TEXTS.undo, run: restore } });
      onGone?.();
    }, notifyProblem);
}
