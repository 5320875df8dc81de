import { useState } from 'react';
import { exportTryOns, MOST_TRY_ON_PIXELS, TRY_ON_FORMATS } from '../../../contract/index.ts';
import { useJob } from '../../api/jobs.ts';
import { startTryOnFiles } from '../../api/tryOns.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { download } from '../../ui/download.ts';
import { FileJob } from '../../ui/FileJob.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly tryOns: readonly string[];
  /** What is done first, so that what was changed last is in the picture. */
  readonly beginning: number;
}

const NAMES = { png: 'PNG', jpeg: 'JPEG', webp: 'WebP' } as const;

/** Has pictures of try-ons painted at any size. */
export function TryOnFileDialog({ open, onClose, tryOns, beginning }: Props) {
  const [format, setFormat] = useState<(typeof TRY_ON_FORMATS)[number]>('png');
  const [side, setSide] = useState(beginning);
  const watch = useJob(exportTryOns, ({ href, fileName }) => {
    download(href, fileName);
    onClose();
  });
  return (
    <FileJob
      title={TEXTS.exportTitle(tryOns.length)}
      open={open}
      watch={watch}
      doing={TEXTS.painting}
      action={TEXTS.exportIt}
      onStart={() => watch.start(() => startTryOnFiles({ tryOns, format, side }))}
      onClose={onClose}
    >
      <Choice
        label={TEXTS.format}
        captioned
        value={format}
        options={TRY_ON_FORMATS.map((value) => ({ value, name: NAMES[value] }))}
        onChange={setFormat}
      />
      <AmountField
        label={TEXTS.longerSide}
        sign={TEXTS.pixels}
        value={side}
        min={16}
        max={MOST_TRY_ON_PIXELS}
        step={100}
        onChange={(px) => setSide(Math.round(px))}
      />
    </FileJob>
  );
}
