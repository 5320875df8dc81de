import { RotateCcw } from 'lucide-react';
import type { SwatchVersionSummary } from '../../../contract/index.ts';
import { blobUrl } from '../../api/client.ts';
import { useSwatchMutation } from '../../api/swatches.ts';
import { Button } from '../../ui/Button.tsx';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly swatch: string;
  /** The newest first. */
  readonly versions: readonly SwatchVersionSummary[];
  readonly shown: number;
  readonly onShow: (number: number) => void;
  readonly onCompare: (version: SwatchVersionSummary) => void;
}

/** All versions of a swatch: to be looked at, compared with the newest, and restored. */
export function VersionList({ swatch, versions, shown, onShow, onCompare }: Props) {
  const change = useSwatchMutation();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const newest = versions[0]?.number;
  const restore = (number: number): void =>
    void change.mutateAsync({ id: swatch, restore: number }).then(() => {
      notify({ text: TEXTS.wasRestored(number) });
      onShow((newest ?? 0) + 1);
    }, notifyProblem);
  return (
    <ol className="grid gap-1" aria-label={TEXTS.versions}>
      {versions.map((version) => {
        const { number, note, savedAt, thumbnail } = version;
        const isShown = number === shown;
        return (
          <li
            key={number}
            data-version={number}
            className={`rounded-md border p-1.5 ${isShown ? 'border-ink bg-white' : 'border-transparent hover:bg-linen'}`}
          >
            <button
              type="button"
              aria-current={isShown}
              onClick={() => onShow(number)}
              className="flex w-full items-center gap-3 text-left text-sm"
            >
              <img
                src={blobUrl(thumbnail)}
                alt=""
                className="bare-ground h-10 w-10 shrink-0 border border-thread object-cover"
              />
              <span className="min-w-0">
                <span className="block font-medium">{TEXTS.versionShort(number)}</span>
                <span className="block truncate text-xs text-graphite" title={note}>
                  {note || new Date(savedAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}
                </span>
              </span>
            </button>
            {isShown && number !== newest && (
              <div className="mt-2 flex gap-1.5">
                <Button onClick={() => onCompare(version)}>{TEXTS.compareWithNewest}</Button>
                <Button
                  label={TEXTS.restoreVersion(number)}
                  onClick={() => restore(number)}
                  disabled={change.isPending}
                >
                  <RotateCcw size={15} aria-hidden />
                </Button>
              </div>
            )}
          </li>
        );
      })}
    </ol>
  );
}
