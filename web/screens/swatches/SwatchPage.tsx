import { repeatText, tileOf } from '../../../core/lattice/index.ts';
import { ArrowLeft, Download, Printer, Shirt, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { SwatchSummary, SwatchVersionSummary } from '../../../contract/index.ts';
import type { Design } from '../../../core/document/index.ts';
import { blobUrl } from '../../api/client.ts';
import { openSwatch, useSwatch, useVersions } from '../../api/swatches.ts';
import { Button } from '../../ui/Button.tsx';
import { ClothSample } from '../../ui/ClothSample.tsx';
import { Fetched } from '../../ui/Fetched.tsx';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { useUnit } from '../../ui/unit.ts';
import { ExportDialog } from '../export/ExportDialog.tsx';
import { OrderDialog } from '../printHouse/OrderDialog.tsx';
import { Comparison } from './Comparison.tsx';
import type { KnownThingName } from './knownThings.tsx';
import { LaidThing } from './LaidThing.tsx';
import { SwatchUses } from './SwatchUses.tsx';
import { SwatchWords } from './SwatchWords.tsx';
import { TEXTS } from './texts.ts';
import { useSwatchRemoval } from './useSwatchRemoval.ts';
import { VersionList } from './VersionList.tsx';
import { ViewBar } from './ViewBar.tsx';

/** One swatch, as much cloth of it as the window holds. */
export function SwatchPage() {
  const { id = '' } = useParams();
  return (
    <Fetched what="swatch" query={useSwatch(id)} back={{ to: '/swatches', name: TEXTS.swatchBookText }}>
      {(swatch) => <ShownSwatch key={id} swatch={swatch} />}
    </Fetched>
  );
}

const BEGINNING_SCALE = 1.6;

function ShownSwatch({ swatch }: { readonly swatch: SwatchSummary & { design: Design } }) {
  const [scale, setScale] = useState(BEGINNING_SCALE);
  const [thing, setThing] = useState<KnownThingName>();
  const [exporting, setExporting] = useState(false);
  const [ordering, setOrdering] = useState(false);
  const [number, setNumber] = useState<number>();
  const [compared, setCompared] = useState<SwatchVersionSummary>();
  const versions = useVersions(swatch.id);
  const remove = useSwatchRemoval();
  const navigate = useNavigate();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const { id, name } = swatch;
  const version = versions.data?.find((one) => one.number === number) ?? swatch;

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
      <ClothSample picture={blobUrl(version.tile)} repeat={version.repeat} scale={scale} className="absolute inset-0" />
      <Link
        to="/swatches"
        className="absolute top-4 left-4 inline-flex h-8 items-center gap-1.5 rounded-md border border-thread bg-calico px-3 text-sm font-medium shadow-float hover:border-graphite"
      >
        <ArrowLeft size={15} aria-hidden /> {TEXTS.swatchBook}
      </Link>
      <section
        aria-label={TEXTS.swatch}
        className="absolute bottom-5 left-4 max-h-[calc(100%-6rem)] w-80 overflow-y-auto rounded-md border border-thread bg-calico p-4 shadow-float"
      >
        <SwatchWords swatch={swatch} />
        <Facts version={version} />
        <div className="mt-4 flex flex-wrap gap-2">
          <Button look="accent" onClick={open}>
            {TEXTS.openItsDesign}
          </Button>
          <Button onClick={() => setExporting(true)}>
            <Download size={15} aria-hidden /> {TEXTS.exportIt}
          </Button>
          <Button onClick={() => void navigate(`/try-ons/new?swatch=${id}`)}>
            <Shirt size={15} aria-hidden /> {TEXTS.tryItOn}
          </Button>
          <Button onClick={() => setOrdering(true)}>
            <Printer size={15} aria-hidden /> {TEXTS.orderAPrint}
          </Button>
          <Button label={TEXTS.deleteName(name)} onClick={() => remove(swatch, () => void navigate('/swatches'))}>
            <Trash2 size={15} aria-hidden />
          </Button>
        </div>
        <SwatchUses swatch={id} />
      </section>
      <section
        aria-label={TEXTS.versions}
        className="absolute top-4 right-4 max-h-[calc(100%-7rem)] w-72 overflow-y-auto rounded-md border border-thread bg-calico p-3 shadow-float"
      >
        <h2 className="mb-2 px-1.5 font-name text-base font-semibold">{TEXTS.versions}</h2>
        {versions.data && (
          <VersionList
            swatch={id}
            versions={versions.data}
            shown={version.number}
            onShow={setNumber}
            onCompare={setCompared}
          />
        )}
        <p className="mt-2 px-1.5 text-xs text-graphite">{TEXTS.versionsNote}</p>
      </section>
      {thing && <LaidThing key={thing} thing={thing} tileWidth={tileOf(version.repeat).width} scale={scale} />}
      <ViewBar repeat={version.repeat} scale={scale} onScale={setScale} thing={thing} onThing={setThing} />
      {compared && (
        <Comparison
          swatch={id}
          from={compared}
          to={versions.data?.[0] ?? swatch}
          scale={scale}
          onClose={() => setCompared(undefined)}
        />
      )}
      {ordering && (
        <OrderDialog
          swatch={{ ...version, id, name, isBare: swatch.design.ground.kind === 'none' }}
          onClose={() => setOrdering(false)}
        />
      )}
      <ExportDialog
        open={exporting}
        onClose={() => setExporting(false)}
        subjects={[{ name, repeat: version.repeat, bare: swatch.design.ground.kind === 'none' }]}
        sources={() => Promise.resolve([{ swatch: id, version: version.number }])}
      />
    </div>
  );
}

function Facts({ version }: { readonly version: SwatchVersionSummary }) {
  const [unit] = useUnit();
  const { repeat, tileWidth, tileHeight, savedAt, colours } = version;
  return (
    <>
      <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-sm">
        <dt className="text-graphite">{TEXTS.repeat}</dt>
        <dd>{repeatText(repeat, unit)}</dd>
        <dt className="text-graphite">{TEXTS.tile}</dt>
        <dd>{TEXTS.tileWidthTileHeightPx(tileWidth, tileHeight)}</dd>
        <dt className="text-graphite">{TEXTS.saved}</dt>
        <dd>{new Date(savedAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}</dd>
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
    </>
  );
}
