import { useState } from 'react';
import { startSheet as startSheetRoute, type SwatchSummary } from '../../../contract/index.ts';
import { MOST_SHEET_COLUMNS, sheetLayout } from '../../../core/sheet/index.ts';
import { type PaperName, PAPER_NAMES, PAPERS } from '../../../core/units/index.ts';
import { parseAmount } from '../../../core/units/index.ts';
import { useJob } from '../../api/jobs.ts';
import { startSheet } from '../../api/packs.ts';
import { Choice } from '../../ui/Choice.tsx';
import { download } from '../../ui/download.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { FileJob } from '../../ui/FileJob.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly swatches: readonly SwatchSummary[];
}

const SCALES = [1, 0.5, 0.25, 0.1];

/** Draws swatches on sheets of paper, for showing or filing. */
export function SheetDialog({ open, onClose, swatches }: Props) {
  const [paper, setPaper] = useState<PaperName>('a4');
  const [format, setFormat] = useState<'pdf' | 'png'>('pdf');
  const [columns, setColumns] = useState(2);
  const [scales, setScales] = useState<readonly number[]>([0.25]);
  const watch = useJob(startSheetRoute, ({ href, fileName }) => {
    download(href, fileName);
    onClose();
  });
  const pages = sheetLayout(swatches.length * scales.length, paper, columns, format === 'png').length;
  const start = (): void =>
    watch.start(() => startSheet({ swatches: swatches.map(({ id }) => id), scales, paper, columns, format }));
  return (
    <FileJob
      title={TEXTS.sheetTitle(swatches.length)}
      open={open}
      watch={watch}
      doing={TEXTS.drawingSheet}
      action={TEXTS.exportSheet}
      onStart={start}
      onClose={onClose}
    >
      <Choice
        label={TEXTS.format}
        captioned
        value={format}
        options={[
          { value: 'pdf', name: 'PDF' },
          { value: 'png', name: 'PNG' },
        ]}
        onChange={setFormat}
      />
      <Choice
        label={TEXTS.paper}
        captioned
        value={paper}
        options={PAPER_NAMES.map((name) => ({ value: name, name: PAPERS[name].name }))}
        onChange={setPaper}
      />
      <QuantityField
        label={TEXTS.columns}
        shown={String(columns)}
        value={columns}
        read={(text) => Math.round(parseAmount(text, { sign: '', current: columns, min: 1, max: MOST_SHEET_COLUMNS }))}
        onChange={setColumns}
      />
      <fieldset>
        <legend className="text-xs text-graphite">{TEXTS.shownAt}</legend>
        <div className="flex flex-wrap gap-x-5">
          {SCALES.map((scale) => (
            <Tick
              key={scale}
              label={scale === 1 ? TEXTS.trueSize : `${100 * scale} %`}
              on={scales.includes(scale)}
              onChange={(on) => {
                const next = SCALES.filter((one) => (one === scale ? on : scales.includes(one)));
                // A sheet without any scale would be empty.
                if (next.length > 0) setScales(next);
              }}
            />
          ))}
        </div>
      </fieldset>
      <p className="text-sm text-graphite">{format === 'pdf' ? TEXTS.pages(pages) : TEXTS.longPicture}</p>
    </FileJob>
  );
}
