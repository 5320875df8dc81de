import { startPack as startPackRoute, type SwatchSummary } from '../../../contract/index.ts';
import { useJob } from '../../api/jobs.ts';
import { startPack } from '../../api/packs.ts';
import { download } from '../../ui/download.ts';
import { FileJob } from '../../ui/FileJob.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly swatches: readonly SwatchSummary[];
}

/** Writes swatches and all that they are made of into one file. */
export function PackDialog({ open, onClose, swatches }: Props) {
  const watch = useJob(startPackRoute, ({ href, fileName }) => {
    download(href, fileName);
    onClose();
  });
  return (
    <FileJob
      title={TEXTS.packTitle(swatches.length)}
      open={open}
      watch={watch}
      doing={TEXTS.packing}
      action={TEXTS.exportPack}
      onStart={() => watch.start(() => startPack(swatches.map(({ id }) => ({ swatch: id }))))}
      onClose={onClose}
    >
      <p className="text-sm">{TEXTS.packNote}</p>
    </FileJob>
  );
}
