import type { SwatchSummary } from '../../../contract/index.ts';
import { useSwatchMutation } from '../../api/swatches.ts';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

/** Deletes a swatch, with a way back. */
export function useSwatchRemoval(): (swatch: Pick<SwatchSummary, 'id' | 'name'>, onGone?: () => void) => void {
  const change = useSwatchMutation();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  // By its promise, since whoever asked may be gone before the answer is dealt with.
  return ({ id, name }, onGone) =>
    void change.mutateAsync({ id, deleted: true }).then(() => {
      notify({
        text: TEXTS.nameWasDeletedFromThe(name),
        action: { label: TEXTS.undo, run: () => change.mutate({ id, deleted: false }) },
      });
      onGone?.();
    }, notifyProblem);
}
