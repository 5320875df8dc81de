import type { SwatchSummary } from '../../../contract/index.ts';
import { ArrowLeft, Download, Minus, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Design } from '../../../core/document/index.ts';
import { blobUrl } from '../../api/client.ts';
import { openSwatch, useSwatch, useSwatchMutation } from '../../api/swatches.ts';
import { ACTUAL_SCALE } from '../../cloth/viewport.ts';
import { ExportDialog } from '../export/ExportDialog.tsx';
import { Button } from '../../ui/Button.tsx';
import { ClothSample } from '../../ui/ClothSample.tsx';
import { Fetched } from '../../ui/Fetched.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { repeatText } from '../../ui/repeatText.ts';
import { useUnit } from '../../ui/unit.ts';
import { useSwatchRemoval } from './useSwatchRemoval.ts';
import { TEXTS } from './texts.ts';

/** One swatch, as much cloth of it as the window holds. */
export function SwatchPage() {
  const { id = '' } = useParams();
  return (
    <Fetched what="swatch" query={useSwatch(id)} back={{ to: '/swatches', name: TEXTS.swatchBookText }}>
      {(swatch) => <ShownSwatch key={id} swatch={swatch} />}
    </Fetched>
  );
}

function ShownSwatch({ swatch }: { readonly swatch: SwatchSummary & { design: Design } }) {
  const [unit] = useUnit();
  const [scale, setScale] = useState(1.6);
  const [downloading, setDownloading] = useState(false);
  const remove = useSwatchRemoval();
  const navigate = useNavigate();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const { id, name, repeat, tile, tileWidth, tileHeight, colours } = swatch;

  const open = (): void => {
    openSwatch(id).then(({ design, copied }) => {
      if (copied)
        notify({
          text: TEXTS.theDesignNameHasChanged(swatch.design.name),
        });
      void navigate(`/designs/${design}`);
    }, notifyProblem);
  };

  return (
    <div className="relative h-full">
      <ClothSample picture={blobUrl(tile)} repeat={repeat} scale={scale} className="absolute inset-0" />
      <div className="absolute top-4 left-4 flex gap-2">
        <Link
          to="/swatches"
          className="inline-flex h-8 items-center gap-1.5 rounded-md border border-thread bg-calico px-3 text-sm font-medium shadow-float hover:border-graphite"
        >
          <ArrowLeft size={15} aria-hidden /> {TEXTS.swatchBook}
        </Link>
      </div>
      <section
        aria-label={TEXTS.swatch}
        className="absolute bottom-5 left-4 w-80 rounded-md border border-thread bg-calico p-4 shadow-float"
      >
        <SwatchName id={id} name={name} />
        <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-sm">
          <dt className="text-graphite">{TEXTS.repeat}</dt>
          <dd>{repeatText(repeat, unit)}</dd>
          <dt className="text-graphite">{TEXTS.tile}</dt>
          <dd>{TEXTS.tileWidthTileHeightPx(tileWidth, tileHeight)}</dd>
          <dt className="text-graphite">{TEXTS.saved}</dt>
          <dd>{new Date(swatch.savedAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}</dd>
        </dl>
        <div className="mt-3 flex gap-1.5" role="img" aria-label={TEXTS.coloursList(colours.join(', '))}>
          {colours.map((colour, i) => (
            <span
              key={i}
              title={colour}
              className="h-5 w-5 rounded-full border border-ink/20"
              style={{ background: colour }}
            />
          ))}
        </div>
        <div className="mt-4 flex flex-wrap gap-2">
          <Button look="accent" onClick={open}>
            {TEXTS.openItsDesign}
          </Button>
          <Button onClick={() => setDownloading(true)}>
            <Download size={15} aria-hidden /> {TEXTS.exportIt}
          </Button>
          <Button label={TEXTS.deleteName(name)} onClick={() => remove(swatch, () => void navigate('/swatches'))}>
            <Trash2 size={15} aria-hidden />
          </Button>
        </div>
      </section>
      <div
        role="group"
        aria-label={TEXTS.scale}
        className="absolute right-4 bottom-5 flex gap-1 rounded-md border border-thread bg-calico p-1 shadow-float"
      >
        <Button look="quiet" label={TEXTS.zoomOut} onClick={() => setScale(Math.max(0.1, scale / 1.25))}>
          <Minus size={16} aria-hidden />
        </Button>
        <Button look="quiet" label={TEXTS.zoomIn} onClick={() => setScale(Math.min(12, scale * 1.25))}>
          <Plus size={16} aria-hidden />
        </Button>
        <Button look="quiet" onClick={() => setScale(ACTUAL_SCALE)}>
          {TEXTS.actualSize}
        </Button>
      </div>
      <ExportDialog
        open={downloading}
        onClose={() => setDownloading(false)}
        repeat={repeat}
        bare={swatch.design.ground.kind === 'none'}
        source={() => Promise.resolve({ swatch: id })}
      />
    </div>
  );
}

function SwatchName({ id, name }: { readonly id: string; readonly name: string }) {
  const change = useSwatchMutation();
  const notifyProblem = useNotifyProblem();
  return (
    <NameField
      label={TEXTS.nameOfTheSwatch}
      name={change.isPending && 'name' in change.variables ? change.variables.name : name}
      onRename={(next) => change.mutate({ id, name: next }, { onError: notifyProblem })}
      className="-mx-1.5 h-9 w-full border-transparent bg-transparent font-name text-lg font-semibold hover:border-thread"
    />
  );
}
