import { Columns2, Download, FileImage, Package, Trash2, X } from 'lucide-react';
import { useState } from 'react';
import type { SwatchSummary } from '../../../contract/index.ts';
import { Button } from '../../ui/Button.tsx';
import { ExportDialog } from '../export/ExportDialog.tsx';
import { PackDialog } from './PackDialog.tsx';
import { SheetDialog } from './SheetDialog.tsx';
import { SwatchesBeside } from './SwatchesBeside.tsx';
import { TEXTS } from './texts.ts';
import { useSwatchRemoval } from './useSwatchRemoval.ts';

/** So many are compared at once. */
const [FEWEST, MOST] = [2, 6];

interface Props {
  readonly selected: readonly SwatchSummary[];
  readonly onClear: () => void;
}

/** What can be done with the selected swatches. */
export function SelectionBar({ selected, onClear }: Props) {
  const [doing, setDoing] = useState<'comparing' | 'exporting' | 'packing' | 'sheet'>();
  const remove = useSwatchRemoval();
  const close = (): void => setDoing(undefined);
  const canCompare = selected.length >= FEWEST && selected.length <= MOST;
  return (
    <section
      aria-label={TEXTS.selection}
      className="flex flex-wrap items-center gap-2 border-t border-thread bg-calico px-8 py-2.5"
    >
      <span className="mr-2 text-sm font-medium">{TEXTS.selectedCount(selected.length)}</span>
      <Button onClick={() => setDoing('comparing')} disabled={!canCompare} title={TEXTS.compareNote}>
        <Columns2 size={15} aria-hidden /> {TEXTS.compareSwatches}
      </Button>
      <Button onClick={() => setDoing('exporting')}>
        <Download size={15} aria-hidden /> {TEXTS.exportIt}
      </Button>
      <Button onClick={() => setDoing('sheet')}>
        <FileImage size={15} aria-hidden /> {TEXTS.sheet}
      </Button>
      <Button onClick={() => setDoing('packing')}>
        <Package size={15} aria-hidden /> {TEXTS.pack}
      </Button>
      <Button onClick={() => selected.forEach((swatch) => remove(swatch))}>
        <Trash2 size={15} aria-hidden /> {TEXTS.deleteIt}
      </Button>
      <Button look="quiet" className="ml-auto" onClick={onClear}>
        <X size={15} aria-hidden /> {TEXTS.clearSelection}
      </Button>
      {doing === 'comparing' && <SwatchesBeside swatches={selected} onClose={close} />}
      <ExportDialog
        open={doing === 'exporting'}
        onClose={close}
        subjects={selected.map(({ name, repeat }) => ({ name, repeat, bare: undefined }))}
        sources={() => Promise.resolve(selected.map(({ id }) => ({ swatch: id })))}
      />
      <PackDialog open={doing === 'packing'} onClose={close} swatches={selected} />
      <SheetDialog open={doing === 'sheet'} onClose={close} swatches={selected} />
    </section>
  );
}
