import type { ResultOf, startExport } from '../../../contract/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import { Button } from '../../ui/Button.tsx';
import { download } from '../../ui/download.ts';
import { TEXTS } from './texts.ts';

export type ExportedFile = ResultOf<typeof startExport>;

const MB = 1e6;

/** A file that was made, with what came of proving it. */
export function ExportOutcome({ file, onAnother, onDone }: Props) {
  const { fileName, href, bytes, palette, proof } = file;
  const size = bytes < MB ? `${Math.ceil(bytes / 1000)} kB` : `${formatNumber(bytes / MB, 1)} MB`;
  return (
    <div className="grid gap-4" data-exported>
      <p role="status">{TEXTS.written(fileName, size)}</p>
      <p className="rounded-md border border-thread bg-white p-3 text-sm" data-proof>
        {TEXTS.proved(proof.pixels.toLocaleString('en-GB'), proof.tiled ? TEXTS.alongJoins : TEXTS.alongEdges)}{' '}
        <strong className={proof.largest === 0 ? 'text-fine' : ''}>
          {proof.largest === 0 ? TEXTS.equal : TEXTS.differs(proof.largest, formatNumber(proof.mean, 2))}
        </strong>
        {palette && <span className="mt-1 block text-graphite">{TEXTS.palette}</span>}
      </p>
      <div className="flex justify-end gap-2">
        <Button onClick={() => download(href, fileName)}>{TEXTS.saveAgain}</Button>
        <Button onClick={onAnother}>{TEXTS.exportAnother}</Button>
        <Button look="accent" onClick={onDone}>
          {TEXTS.done}
        </Button>
      </div>
    </div>
  );
}

interface Props {
  readonly file: ExportedFile;
  readonly onAnother: () => void;
  readonly onDone: () => void;
}
