import { useSwatchBin, useSwatchMutation } from '../../api/swatches.ts';
import { blobUrl } from '../../api/client.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

/** Deleted swatches, each of which can be restored. */
export function Bin({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const bin = useSwatchBin();
  const change = useSwatchMutation();
  const notifyProblem = useNotifyProblem();
  return (
    <Dialog title={TEXTS.bin} open={open} onClose={onClose}>
      <p className="text-sm text-graphite">{TEXTS.binNote}</p>
      <ul className="mt-3 grid gap-2">
        {bin.data?.map(({ id, name, thumbnail, deletedAt }) => (
          <li key={id} className="flex items-center gap-3 text-sm">
            <img src={blobUrl(thumbnail)} alt="" className="bare-ground h-10 w-10 border border-thread object-cover" />
            <span className="min-w-0 grow">
              <span className="block truncate font-medium">{name}</span>
              {deletedAt !== null && (
                <span className="text-xs text-graphite">
                  {TEXTS.deletedOn(new Date(deletedAt).toLocaleDateString('en-GB', { dateStyle: 'medium' }))}
                </span>
              )}
            </span>
            <Button
              aria-label={TEXTS.restoreName(name)}
              onClick={() => change.mutate({ id, deleted: false }, { onError: notifyProblem })}
            >
              {TEXTS.restore}
            </Button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
