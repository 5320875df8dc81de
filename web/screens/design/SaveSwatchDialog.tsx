import { saveSwatch } from '../../../contract/index.ts';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { useJob } from '../../api/jobs.ts';
import { startSwatch, useLatestSwatches } from '../../api/swatches.ts';
import { Button } from '../../ui/Button.tsx';
import { JobProgress } from '../../ui/JobProgress.tsx';
import { useNotify } from '../../ui/Notices.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { DialogFoot } from '../../ui/DialogFoot.tsx';
import { useColourway } from '../../cloth/useColourway.ts';
import { useStore } from '../../ui/store.ts';
import { Tick } from '../../ui/Tick.tsx';
import { useEditor } from '../../cloth/editorContext.ts';
import type { Saver } from '../../editor/saver.ts';
import { saveWhole } from '../../editor/wholeDesign.ts';
import { TEXTS } from './texts.ts';

/** Swatches of this design that a new version can be of. */
const MOST_OFFERED = 50;

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
  // What was saved of this design, the last first: it is most likely that one that is saved again.
  const saved = useLatestSwatches(MOST_OFFERED, editor.design.id).data ?? [];
  const [picked, setPicked] = useState<string>();
  const target = picked ?? saved[0]?.id ?? '';
  const [note, setNote] = useState('');
  const colourways = useStore(editor.session, ({ committed }) => committed.colourways);
  const current = useColourway();
  const [ticked, setTicked] = useState<ReadonlySet<string>>();
  // In their order; the one that is worked in before any is ticked.
  const chosen = colourways.map(({ id }) => id).filter((id) => (ticked ? ticked.has(id) : id === current.id));
  const known = saved.find(({ id }) => id === target);
  const name = known?.name ?? typed ?? editor.design.name;
  const close = (): void => {
    setTyped(undefined);
    setPicked(undefined);
    setNote('');
    setTicked(undefined);
    onClose();
  };
  const watch = useJob(saveSwatch, ({ swatch, version }) => {
    void client.invalidateQueries({ queryKey: ['swatches'] });
    void client.invalidateQueries({ queryKey: ['swatch', swatch] });
    notify({
      text:
        !known && chosen.length > 1
          ? TEXTS.swatchesAreInTheBook(chosen.length)
          : version === 1
            ? TEXTS.nameIsInTheSwatch(name)
            : TEXTS.versionIsInTheSwatchBook(version, name),
      action: {
        label: TEXTS.showIt,
        run: () => void navigate(!known && chosen.length > 1 ? '/swatches' : `/swatches/${swatch}`),
      },
    });
    close();
  });

  const submit = (event: FormEvent): void => {
    event.preventDefault();
    watch.start(async () =>
      startSwatch(
        editor.design.id,
        await saveWhole(editor, saver),
        known ? { swatch: known.id, note: note.trim() } : { name: name.trim() },
        known ? [current.id] : chosen,
      ),
    );
  };

  return (
    <Dialog title={TEXTS.saveSwatch} open={open} onClose={close} isBusy={watch.running}>
      <form onSubmit={submit} className="grid gap-4">
        <p className="text-sm text-graphite">{TEXTS.keepsTheFinishedRepeatUnder}</p>
        {saved.length > 0 && (
          <label className="block">
            <span className="mb-0.5 block text-xs text-graphite">{TEXTS.saveAs}</span>
            <select
              value={target}
              onChange={(event) => setPicked(event.target.value)}
              className="h-8 w-full rounded-md border border-thread bg-white px-2 text-sm"
            >
              {saved.map((swatch) => (
                <option key={swatch.id} value={swatch.id}>
                  {TEXTS.versionOf(swatch.newest + 1, swatch.name)}
                </option>
              ))}
              <option value="">{TEXTS.aNewSwatch}</option>
            </select>
          </label>
        )}
        {known ? (
          <label className="block">
            <span className="mb-0.5 block text-xs text-graphite">{TEXTS.noteOnThisVersion}</span>
            <input
              value={note}
              maxLength={500}
              onChange={(event) => setNote(event.target.value)}
              className="h-8 w-full rounded-md border border-thread bg-white px-2"
            />
          </label>
        ) : (
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
        )}
        {!known && colourways.length > 1 && (
          <fieldset>
            <legend className="text-xs text-graphite">{TEXTS.inColourways}</legend>
            <div className="flex max-h-40 flex-wrap gap-x-5 overflow-y-auto">
              {colourways.map(({ id, name: called }) => (
                <Tick
                  key={id}
                  label={called}
                  on={chosen.includes(id)}
                  onChange={(on) => setTicked(new Set(on ? [...chosen, id] : chosen.filter((other) => other !== id)))}
                />
              ))}
            </div>
          </fieldset>
        )}
        {known && colourways.length > 1 && (
          <p className="text-xs text-graphite">{TEXTS.versionInColourway(current.name)}</p>
        )}
        <DialogFoot progress={<JobProgress watch={watch} doing={TEXTS.paintingTheSwatch} />}>
          <Button onClick={close}>{watch.running ? TEXTS.closeAndGoOn : TEXTS.cancel}</Button>
          <Button
            type="submit"
            look="accent"
            disabled={watch.running || name.trim() === '' || (!known && chosen.length === 0)}
          >
            {TEXTS.saveSwatch}
          </Button>
        </DialogFoot>
      </form>
    </Dialog>
  );
}
