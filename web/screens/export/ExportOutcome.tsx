import type { MadeFile } from '../../../contract/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import { Button } from '../../ui/Button.tsx';
import { download } from '../../ui/download.ts';
import { TEXTS } from './texts.ts';

/** What was made and downloaded: a file, or a ZIP of several. */
export interface ExportedFiles {
  readonly href: string;
  readonly fileName: string;
  readonly files: readonly MadeFile[];
}

interface Props {
  readonly made: ExportedFiles;
  readonly onAnother: () => void;
  readonly onDone: () => void;
}

const MB = 1e6;

function bytesText(bytes: number): string {
  return bytes < MB ? `${Math.ceil(bytes / 1000)} kB` : `${formatNumber(bytes / MB, 1)} MB`;
}

/** Files that were made, with what came of proving each. */
export function ExportOutcome({ made: { href, fileName, files }, onAnother, onDone }: Props) {
  const bytes = files.reduce((sum, file) => sum + file.bytes, 0);
  return (
    <div className="grid gap-4" data-exported>
      <p role="status">{TEXTS.written(fileName, bytesText(bytes))}</p>
      <ul className="grid max-h-96 gap-2 overflow-y-auto">
        {files.map((file) => (
          <li key={file.fileName} className="rounded-md border border-thread bg-white p-3 text-sm" data-proof>
            {files.length > 1 && <p className="truncate font-semibold">{file.fileName}</p>}
            <ProofText file={file} />
            {file.palette && <span className="mt-1 block text-graphite">{TEXTS.palette}</span>}
          </li>
        ))}
      </ul>
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

function ProofText({ file: { proof, unit } }: { readonly file: MadeFile }) {
  if (!proof) return <p className="text-graphite">{TEXTS.notProved}</p>;
  const { pixels, largest, mean, tiled } = proof;
  const count = pixels.toLocaleString('en-GB');
  if (unit === 'mm') return <p>{TEXTS.drawnAgain(count, formatNumber((100 * mean) / 255, 2))}</p>;
  return (
    <p>
      {TEXTS.proved(count, tiled ? TEXTS.alongJoins : TEXTS.alongEdges)}{' '}
      <strong className={largest === 0 ? 'text-fine' : ''}>
        {largest === 0 ? TEXTS.equal : TEXTS.differs(largest, formatNumber(mean, 2))}
      </strong>
    </p>
  );
}
