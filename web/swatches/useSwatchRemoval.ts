import { useSwatchChange, type SwatchSummary } from '../api/swatches.ts';
import { useNotify } from '../shared/Notices.tsx';

/** Deletes a swatch, with a way back. */
export function useSwatchRemoval(): (swatch: Pick<SwatchSummary, 'id' | 'name'>, onGone?: () => void) => void {
  const change = useSwatchChange();
  const notify = useNotify();
  return ({ id, name }, onGone) =>
    change.mutate(
      { id, deleted: true },
      {
        onSuccess: () => {
          notify({ text: `“${name}” was taken out of the book.`, action: { label: 'Undo', run: () => change.mutate({ id, deleted: false }) } });
          onGone?.();
        },
        onError: (error) => notify({ text: error.message, tone: 'problem' }),
      },
    );
}
