import { useState } from 'react';
import { exportTryOns, isPicture, MOST_TRY_ON_PIXELS, TRY_ON_FORMATS } from '../../../contract/index.ts';
import type { Colourway } from '../../../core/document/index.ts';
import type { CutWish } from '../../../core/sheet/index.ts';
import { useJob } from '../../api/jobs.ts';
import { startTryOnFiles } from '../../api/tryOns.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { download } from '../../ui/download.ts';
import { FileJob } from '../../ui/FileJob.tsx';
import { TickList } from '../../ui/TickList.tsx';
import { CutFields } from './CutFields.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly tryOns: readonly string[];
  /** Those that it can be written in; the one it has where there are none to choose from. */
  readonly colourways?: readonly Pick<Colourway, 'id' | 'name'>[] | undefined;
  /** What is done first, so that what was changed last is in the picture. */
  readonly beginning: number;
}

const NAMES = { png: 'PNG', jpeg: 'JPEG', webp: 'WebP', svg: 'SVG', pdf: 'PDF' } as const;
const PAPER: CutWish = { paper: 'a4', isWide: false, margin: 10, bleed: 0, marks: true, fill: false };

/** Has files of try-ons made: pictures of any size, shapes, or sheets of paper. */
export function TryOnFileDialog({ open, onClose, tryOns, colourways = [], beginning }: Props) {
  const [format, setFormat] = useState<(typeof TRY_ON_FORMATS)[number]>('png');
  // Until one is typed it is the product's own, which is known a moment after the page.
  const [typed, setTyped] = useState<number>();
  const side = typed ?? Math.round(beginning);
  const [sheet, setSheet] = useState(PAPER);
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const watch = useJob(exportTryOns, ({ href, fileName }) => {
    download(href, fileName);
    onClose();
  });
  const chosen = colourways.map(({ id }) => id).filter((id) => ticked.includes(id));
  const wish = {
    tryOns,
    format,
    ...(isPicture(format) && { side }),
    ...(format === 'pdf' && { sheet }),
    ...(chosen.length > 0 && { colourways: chosen }),
  };
  return (
    <FileJob
      title={TEXTS.exportTitle(tryOns.length * Math.max(1, chosen.length))}
      open={open}
      watch={watch}
      doing={TEXTS.painting}
      action={TEXTS.exportIt}
      onStart={() => watch.start(() => startTryOnFiles(wish))}
      onClose={onClose}
    >
      <Choice
        label={TEXTS.format}
        captioned
        value={format}
        options={TRY_ON_FORMATS.map((value) => ({ value, name: NAMES[value] }))}
        onChange={setFormat}
      />
      {isPicture(format) ? (
        <AmountField
          label={TEXTS.longerSide}
          sign={TEXTS.pixels}
          value={side}
          min={16}
          max={MOST_TRY_ON_PIXELS}
          step={100}
          onChange={(px) => setTyped(Math.round(px))}
        />
      ) : (
        <p className="text-sm text-graphite">{format === 'pdf' ? TEXTS.onPaper : TEXTS.asShapes}</p>
      )}
      {format === 'pdf' && <CutFields wish={sheet} onChange={setSheet} />}
      {colourways.length > 1 && (
        <TickList label={TEXTS.colourways} options={colourways} ticked={chosen} onChange={setTicked} />
      )}
    </FileJob>
  );
}
