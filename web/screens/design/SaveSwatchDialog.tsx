import { saveSwatch } from '../../../contract/index.ts';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { useJob } from '../../api/jobs.ts';
import { startSwatch } from '../../api/swatches.ts';
import { Button } from '../../ui/Button.tsx';
import { JobProgress } from '../../ui/JobProgress.tsx';
import { useNotify } from '../../ui/Notices.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { useEditor } from '../../cloth/editorContext.ts';
import type { Saver } from '../../editor/saver.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly saver: Saver;
}

/** Asks for a name and keeps the repeat, as it is now, in the swatch book. */
export function SaveSwatchDialog({ open, onClose, saver }: Props) {
  const editor = useEditor();
  const client = useQueryClient();
  const navigate = useNavigate();
  const notify = useNotify();
  const [typed, setTyped] = useState<string>();
  const name = typed ?? editor.design.name;
  const close = (): void => {
    setTyped(undefined);
    onClose();
  };
  const watch = useJob(saveSwatch, ({ swatch }) => {
    void client.invalidateQueries({ queryKey: ['swatches'] });
    notify({
      text: TEXTS.nameIsInTheSwatch(name),
      action: { label: TEXTS.showIt, run: () => void navigate(`/swatches/${swatch}`) },
    });
    close();
  });

  // Whoever leaves does not want it any more.
  const leave = (): void => {
    watch.stop();
    close();
  };

  const submit = (event: FormEvent): void => {
    event.preventDefault();
    watch.start(async () => startSwatch(editor.design.id, await saver.flush(), name.trim()));
  };

  return (
    <Dialog title={TEXTS.saveSwatch} open={open} onClose={leave}>
      <form onSubmit={submit} className="grid gap-4">
        <p className="text-sm text-graphite">{TEXTS.keepsTheFinishedRepeatUnder}</p>
        <label className="block">
          <span className="mb-0.5 block text-xs text-graphite">{TEXTS.nameOfTheSwatch}</span>
          <input
            autoFocus
            value={name}
            maxLength={120}
            onChange={(event) => setTyped(event.target.value)}
            onFocus={(event) => event.currentTarget.select()}
            className="h-8 w-full rounded-md border border-thread bg-white px-2"
          />
        </label>
        <JobProgress watch={watch} doing={TEXTS.paintingTheSwatch} />
        <div className="flex justify-end gap-2">
          <Button onClick={leave}>{TEXTS.cancel}</Button>
          <Button type="submit" look="accent" disabled={watch.running || name.trim() === ''}>
            {TEXTS.saveSwatch}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
