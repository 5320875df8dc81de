import { cutText } from '../../../core/schema/index.ts';
import type { ListedMotif } from '../../../contract/index.ts';
import { Package, Trash2, X } from 'lucide-react';
import { sideBySide } from '../../../core/bundle/index.ts';
import { blobUrl } from '../../api/client.ts';
import { useMotifMutation, useMotifMaking } from '../../api/motifs.ts';
import { Button } from '../../ui/Button.tsx';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly motifs: readonly ListedMotif[];
  readonly onClose: () => void;
  readonly onMade: (id: string) => void;
}

/** Several motifs of the drawer, and what can be done with them together. */
export function SeveralTicket({ motifs, onClose, onMade }: Props) {
  const making = useMotifMaking();
  const mutation = useMotifMutation();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const refused = (error: unknown): void => notifyProblem(error);
  const names = cutText(motifs.map(({ name }) => name).join(', '), 120);
  const bundle = (): void =>
    void making
      .mutateAsync({ name: names, collection: TEXTS.bundles, recipe: { kind: 'bundle', parts: sideBySide(motifs) } })
      .then(({ id }) => onMade(id), refused);
  const setDeleted = (deleted: boolean): Promise<unknown> =>
    Promise.all(motifs.map(({ id }) => mutation.mutateAsync({ id, deleted })));
  const remove = (): void =>
    void setDeleted(true).then(() => {
      onClose();
      notify({
        text: TEXTS.countMotifsWereDeletedFrom(motifs.length),
        action: { label: TEXTS.undo, run: () => void setDeleted(false).catch(refused) },
      });
    }, refused);
  return (
    <aside
      aria-label={TEXTS.countMotifs(motifs.length)}
      className="flex w-[304px] shrink-0 flex-col gap-4 overflow-y-auto border-l border-thread bg-calico p-5"
    >
      <div className="flex items-center gap-2">
        <h2 className="grow font-name text-base font-semibold">{TEXTS.countMotifs(motifs.length)}</h2>
        <Button look="quiet" label={TEXTS.close} onClick={onClose}>
          <X size={16} aria-hidden />
        </Button>
      </div>
      <div className="grid grid-cols-4 gap-2">
        {motifs.slice(0, 24).map(({ id, thumbnail }) => (
          <img
            key={id}
            src={blobUrl(thumbnail)}
            alt=""
            className="h-14 w-full rounded-md border border-thread bg-white object-contain p-1"
          />
        ))}
      </div>
      <div className="grid gap-2">
        <Button onClick={bundle} disabled={making.isPending}>
          <Package size={15} aria-hidden /> {TEXTS.makeThemOneBundle}
        </Button>
        <Button onClick={remove}>
          <Trash2 size={15} aria-hidden /> {TEXTS.deleteIt}
        </Button>
      </div>
    </aside>
  );
}
