import { useState, type FormEvent } from 'react';
import { startExport as startExportRoute } from '../../../contract/index.ts';
import type { Hex } from '../../../core/colour/index.ts';
import {
  type Bleed,
  type ExportOrder,
  exportPlan,
  measureExtent,
  MOST_BLEED,
  NO_BLEED,
  RASTER_FORMAT_NAMES,
  RASTER_FORMATS,
  tileOrder,
} from '../../../core/export/index.ts';
import type { Repeat } from '../../../core/lattice/index.ts';
import { formatNumber, parseAmount } from '../../../core/units/index.ts';
import { type ExportSource, startExport } from '../../api/exports.ts';
import { useJob } from '../../api/jobs.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { download } from '../../ui/download.ts';
import { JobProgress } from '../../ui/JobProgress.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { type ExportedFile, ExportOutcome } from './ExportOutcome.tsx';
import { ExtentFields } from './ExtentFields.tsx';
import { PlanSummary } from './PlanSummary.tsx';
import { SizeFields } from './SizeFields.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly repeat: Repeat;
  /** Whether the design has no ground. */
  readonly bare: boolean;
  /** What is to be painted, once it is saved. */
  readonly source: () => Promise<ExportSource>;
}

/** Asks what goes into a file and how large it is, says what will come of it, fetches it, and shows its proof. */
export function ExportDialog({ open, onClose, repeat, bare, source }: Props) {
  const [order, setOrder] = useState<ExportOrder>(tileOrder({ kind: 'density', dpi: 300 }));
  const [file, setFile] = useState<ExportedFile>();
  const watch = useJob(startExportRoute, (result) => {
    download(result.href, result.fileName);
    setFile(result);
  });
  const plan = exportPlan(repeat, order);
  const change = (part: Partial<ExportOrder>): void => setOrder({ ...order, ...part });
  const { name, alpha } = RASTER_FORMATS[order.format];

  // Whoever leaves does not want it any more.
  const leave = (): void => {
    watch.stop();
    setFile(undefined);
    onClose();
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    watch.start(async () => startExport(await source(), order));
  };

  return (
    <Dialog title={TEXTS.exportFile} open={open} onClose={leave} wide>
      {file ? (
        <ExportOutcome file={file} onAnother={() => setFile(undefined)} onDone={leave} />
      ) : (
        <form onSubmit={submit} className="grid gap-4">
          <Choice
            label={TEXTS.format}
            captioned
            value={order.format}
            options={RASTER_FORMAT_NAMES.map((format) => ({ value: format, name: RASTER_FORMATS[format].name }))}
            onChange={(format) => change({ format })}
          />
          <ExtentFields extent={order.extent} onChange={(extent) => change({ extent })} />
          <SizeFields
            size={order.size}
            width={measureExtent(order.extent, repeat).width}
            onChange={(size) => change({ size })}
          />
          <BleedFields bleed={order.bleed} marks={order.marks} onChange={change} />
          {bare && (
            <Backdrop
              colour={order.backdrop}
              note={alpha ? TEXTS.noGround : TEXTS.noGroundJpeg}
              onChange={(backdrop) => change({ backdrop })}
            />
          )}
          <PlanSummary order={order} plan={plan} />
          <JobProgress watch={watch} doing={TEXTS.painting} />
          <div className="flex justify-end gap-2">
            <Button onClick={leave}>{TEXTS.cancel}</Button>
            <Button
              type="submit"
              look="accent"
              disabled={watch.running || plan.refusal !== undefined || (bare && !alpha && !order.backdrop)}
            >
              {TEXTS.export} {name}
            </Button>
          </div>
        </form>
      )}
    </Dialog>
  );
}

interface BleedProps extends Pick<ExportOrder, 'bleed' | 'marks'> {
  readonly onChange: (part: Partial<ExportOrder>) => void;
}

function BleedFields({ bleed, marks, onChange }: BleedProps) {
  return (
    <div className="flex items-end gap-2">
      <div className="w-36">
        <QuantityField
          label={TEXTS.bleed}
          shown={formatNumber(bleed.amount)}
          value={bleed.amount}
          read={(text) => parseAmount(text, { sign: '', current: bleed.amount, min: 0, max: MOST_BLEED })}
          onChange={(amount) => onChange({ bleed: { ...bleed, amount } })}
        />
      </div>
      <div className="w-28">
        <Choice<Bleed['unit']>
          label={TEXTS.bleedUnit}
          value={bleed.unit}
          options={[
            { value: 'px', name: 'px' },
            { value: 'mm', name: 'mm' },
          ]}
          onChange={(unit) => onChange({ bleed: { ...NO_BLEED, unit, amount: bleed.amount } })}
        />
      </div>
      <Tick label={TEXTS.trimMarks} on={marks} onChange={(on) => onChange({ marks: on })} />
    </div>
  );
}

interface BackdropProps {
  readonly colour: Hex | undefined;
  readonly note: string;
  readonly onChange: (colour: Hex | undefined) => void;
}

function Backdrop({ colour, note, onChange }: BackdropProps) {
  return (
    <div className="flex items-center gap-3 text-sm">
      <input
        type="color"
        aria-label={TEXTS.behind}
        value={colour ?? '#ffffff'}
        // The browser's own colour field always gives six hex digits.
        onChange={(event) => onChange(event.target.value as Hex)}
        className="h-8 w-12 shrink-0 rounded-md border border-thread"
      />
      <Button pressed={colour === undefined} onClick={() => onChange(undefined)}>
        {TEXTS.transparent}
      </Button>
      <p className="text-graphite">{note}</p>
    </div>
  );
}
