import { startExport as startExportRoute } from '../../../contract/index.ts';
import { Radio, RadioGroup } from '@headlessui/react';
import { useState, type FormEvent } from 'react';
import type { Repeat } from '../../../core/lattice/index.ts';
import { exportPlan, type ExportSize, LEAST_DPI, MOST_DPI } from '../../../core/paint/index.ts';
import { formatNumber, parseAmount } from '../../../core/units/index.ts';
import { download } from '../../ui/download.ts';
import { startExport } from '../../api/exports.ts';
import { useJob } from '../../api/jobs.ts';
import { Button } from '../../ui/Button.tsx';
import { fitText } from '../../ui/fitText.ts';
import { JobProgress } from '../../ui/JobProgress.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly repeat: Repeat;
  /** What is to be painted, once it is saved. */
  readonly source: () => Promise<{ design: string } | { swatch: string }>;
}

const MOST_WIDTH = 100_000;

/** Asks for a density or a width, says what will come of it, and fetches the tile. */
export function ExportDialog({ open, onClose, repeat, source }: Props) {
  const [by, setBy] = useState<'dpi' | 'width'>('dpi');
  const [dpi, setDpi] = useState(300);
  const [width, setWidth] = useState(2048);
  const watch = useJob(startExportRoute, ({ href, fileName }) => {
    download(href, fileName);
    onClose();
  });
  const size: ExportSize = by === 'dpi' ? { dpi } : { width };
  const plan = exportPlan(repeat, size);
  const { tile } = plan.grid;
  const cells = tile.columns * tile.rows;

  // Whoever leaves does not want it any more.
  const leave = (): void => {
    watch.stop();
    onClose();
  };

  const submit = (event: FormEvent): void => {
    event.preventDefault();
    watch.start(async () => startExport(await source(), size));
  };

  return (
    <Dialog title={TEXTS.exportTheTile} open={open} onClose={leave}>
      <form onSubmit={submit} className="grid gap-4">
        <RadioGroup value={by} onChange={setBy} aria-label={TEXTS.sizeBy} className="flex gap-1">
          {(
            [
              ['dpi', TEXTS.byDensity],
              ['width', TEXTS.byPixelWidth],
            ] as const
          ).map(([value, name]) => (
            <Radio
              key={value}
              value={value}
              className="grid h-8 grow cursor-pointer place-items-center rounded-md border border-thread bg-white text-sm data-checked:border-ink data-checked:ring-1 data-checked:ring-ink"
            >
              {name}
            </Radio>
          ))}
        </RadioGroup>
        {by === 'dpi' ? (
          <div className="flex items-end gap-2">
            <div className="grow">
              <QuantityField
                label={TEXTS.dotsPerInch}
                shown={formatNumber(dpi)}
                value={dpi}
                step={10}
                read={(text) => parseAmount(text, { sign: '', current: dpi, min: LEAST_DPI, max: MOST_DPI })}
                onChange={setDpi}
              />
            </div>
            {[72, 150, 300].map((one) => (
              <Button key={one} pressed={dpi === one} onClick={() => setDpi(one)}>
                {one}
              </Button>
            ))}
          </div>
        ) : (
          <QuantityField
            label={TEXTS.widthInPixels}
            shown={String(width)}
            value={width}
            step={1}
            read={(text) => Math.round(parseAmount(text, { sign: '', current: width, min: 1, max: MOST_WIDTH }))}
            onChange={setWidth}
          />
        )}
        <div className="rounded-md border border-thread bg-white p-3 text-sm" data-plan>
          <p className="font-semibold">
            {TEXTS.pngWidthHeightPxDensity(tile.width, tile.height, formatNumber(plan.density, 2))}
          </p>
          <p className="text-graphite">{cells === 1 ? TEXTS.theCellItself : TEXTS.theTileCellsCellsSo(cells)}</p>
          <p className="mt-1 text-graphite">{fitText(plan)}</p>
          {'width' in size && tile.width !== size.width && (
            <p className="mt-1 text-graphite">{TEXTS.widthPxIsTheNearest(tile.width, tile.columns)}</p>
          )}
          {plan.refusal && (
            <p role="alert" className="mt-1 text-madder">
              {TEXTS.refusalChooseALowerDensity(plan.refusal)}
            </p>
          )}
        </div>
        <JobProgress watch={watch} doing={TEXTS.paintingTheTile} />
        <div className="flex justify-end gap-2">
          <Button onClick={leave}>{TEXTS.cancel}</Button>
          <Button type="submit" look="accent" disabled={watch.running || plan.refusal !== undefined}>
            {TEXTS.exportIt}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
