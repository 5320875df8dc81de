import { useState, type FormEvent } from 'react';
import {
  startBatch as startBatchRoute,
  startExport as startExportRoute,
  startPack as startPackRoute,
} from '../../../contract/index.ts';
import { Package } from 'lucide-react';
import { type AnyOrder, formatOf, orderRefusal } from '../../../core/export/index.ts';
import { type ExportSource, startBatch, startExport } from '../../api/exports.ts';
import { useJob } from '../../api/jobs.ts';
import { startPack } from '../../api/packs.ts';
import type { Colourway } from '../../../core/document/index.ts';
import { TickList } from '../../ui/TickList.tsx';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { DialogFoot } from '../../ui/DialogFoot.tsx';
import { download } from '../../ui/download.ts';
import { JobProgress } from '../../ui/JobProgress.tsx';
import { ExportOutcome, type ExportedFiles } from './ExportOutcome.tsx';
import { FileTabs } from './FileTabs.tsx';
import { NameTemplateField } from './NameTemplateField.tsx';
import { OrderFields } from './OrderFields.tsx';
import { PlanSummary } from './PlanSummary.tsx';
import { PresetBar } from './PresetBar.tsx';
import { keepSettings, readSettings } from './exportSettings.ts';
import { lacksBackdrop, type Subject } from './subject.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  /** What goes into files; at least one. */
  readonly subjects: readonly Subject[];
  /** The same for the server, once they are saved. */
  readonly sources: () => Promise<readonly ExportSource[]>;
  /** Colourways of what is exported, where there are several; and the one that is worked in. */
  readonly colourways?: readonly Pick<Colourway, 'id' | 'name'>[];
  readonly colourway?: string;
}

/** Asks what goes into files and how large they are, says what will come of it, fetches them, and shows their proofs. */
export function ExportDialog({
  open,
  onClose,
  subjects: plain,
  sources: plainSources,
  colourways = [],
  colourway,
}: Props) {
  const [orders, setOrders] = useState(() => readSettings().orders);
  const [at, setAt] = useState(0);
  const [template, setTemplate] = useState(() => readSettings().template);
  const [made, setMade] = useState<ExportedFiles>();
  const finish = (files: ExportedFiles): void => {
    download(files.href, files.fileName);
    setMade(files);
  };
  const single = useJob(startExportRoute, (file) =>
    finish({ href: file.href, fileName: file.fileName, files: [file] }),
  );
  const batch = useJob(startBatchRoute, (zip) => finish(zip));
  const pack = useJob(startPackRoute, ({ href, fileName }) => {
    download(href, fileName);
    onClose();
  });
  const [ticked, setTicked] = useState<ReadonlySet<string>>();
  const chosen = colourways.filter(({ id }) => (ticked ? ticked.has(id) : id === colourway));
  const isOfSeveral = colourways.length > 1;
  const subjects = isOfSeveral
    ? plain.flatMap((subject) => chosen.map(({ name }) => ({ ...subject, name: `${subject.name}, ${name}` })))
    : plain;
  const sources = async (): Promise<readonly ExportSource[]> => {
    const known = await plainSources();
    return isOfSeveral ? known.flatMap((source) => chosen.map(({ id }) => ({ ...source, colourway: id }))) : known;
  };
  const [first = plain[0]] = subjects;
  const order = orders[at] ?? orders[0];
  if (!first || !order) return null;
  const count = orders.length * subjects.length;
  const watch = count === 1 ? single : batch;
  const change = (next: AnyOrder): void => setOrders(orders.map((one, n) => (n === at ? next : one)));
  const isRefused = orders.some((one) =>
    subjects.some(
      ({ repeat, bare }) => orderRefusal(repeat, one) !== undefined || (bare === true && lacksBackdrop(one)),
    ),
  );

  // Whoever leaves does not want it any more.
  const leave = (): void => {
    watch.stop();
    pack.stop();
    setMade(undefined);
    onClose();
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    keepSettings({ orders, template });
    if (count === 1)
      single.start(async () => {
        const [source] = await sources();
        return startExport(source as ExportSource, order, template);
      });
    else batch.start(async () => startBatch(await sources(), orders, template));
  };

  return (
    <Dialog
      title={plain.length === 1 ? TEXTS.exportFile : TEXTS.exportSwatches(plain.length)}
      open={open}
      onClose={leave}
      isBusy={single.running || batch.running || pack.running}
      wide
    >
      {made ? (
        <ExportOutcome made={made} onAnother={() => setMade(undefined)} onDone={leave} />
      ) : (
        <form onSubmit={submit} className="grid gap-4">
          <div className="flex flex-wrap items-center justify-between gap-2">
            <FileTabs orders={orders} at={at} onAt={setAt} onChange={setOrders} />
            <PresetBar
              orders={orders}
              template={template}
              onTake={(preset) => {
                setOrders(preset.orders);
                setTemplate(preset.template);
                setAt(0);
              }}
            />
          </div>
          {isOfSeveral && (
            <TickList
              label={TEXTS.colourways}
              options={colourways}
              ticked={chosen.map(({ id }) => id)}
              onChange={(ids) => setTicked(new Set(ids))}
            />
          )}
          <OrderFields key={at} order={order} subjects={subjects} onChange={change} />
          <NameTemplateField template={template} subject={first} order={order} onChange={setTemplate} />
          <PlanSummary order={order} subjects={subjects} />
          <DialogFoot
            progress={
              <>
                <JobProgress watch={watch} doing={TEXTS.painting} />
                <JobProgress watch={pack} doing={TEXTS.packing} />
              </>
            }
          >
            <Button
              look="quiet"
              className="mr-auto"
              title={TEXTS.packNote}
              disabled={pack.running}
              onClick={() => pack.start(async () => startPack(await plainSources()))}
            >
              <Package size={15} aria-hidden /> {TEXTS.exportPack}
            </Button>
            <Button onClick={leave}>{TEXTS.cancel}</Button>
            <Button type="submit" look="accent" disabled={watch.running || isRefused || count === 0}>
              {count === 1 ? `${TEXTS.export} ${formatOf(order).name}` : TEXTS.exportFiles(count)}
            </Button>
          </DialogFoot>
        </form>
      )}
    </Dialog>
  );
}
