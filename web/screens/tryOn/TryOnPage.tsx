import { Download } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { StoredTryOn } from '../../../contract/index.ts';
import { onProduct, type TryOn } from '../../../core/tryon/index.ts';
import { usePatterns, useProduct, useTryOn } from '../../api/tryOns.ts';
import { Button } from '../../ui/Button.tsx';
import { Fetched } from '../../ui/Fetched.tsx';
import { HistoryButtons } from '../../ui/HistoryButtons.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { type History, useHistory } from '../../ui/useHistory.ts';
import { useUndoKeys } from '../../ui/useUndoKeys.ts';
import { Dressing } from './Dressing.tsx';
import { ProductDialog } from './ProductDialog.tsx';
import { TEXTS } from './texts.ts';
import { TryOnFileDialog } from './TryOnFileDialog.tsx';
import { type Saving, useSavedTryOn } from './useSavedTryOn.ts';
import { useWidths, type Widths } from './useWidths.ts';

/** A try-on: a swatch on a product, at real scale. */
export function TryOnPage() {
  const { id = '' } = useParams();
  return (
    <Fetched what="try-on" query={useTryOn(id)} back={BACK}>
      {(stored) => <OpenTryOn key={id} stored={stored} />}
    </Fetched>
  );
}

const BACK = { to: '/try-ons', name: TEXTS.tryOns };

function OpenTryOn({ stored: { id, revision, tryOn } }: { readonly stored: StoredTryOn }) {
  // The width of a product is its own and not the try-on's, but it is changed here, and undone here.
  const history = useHistory<Work>({ tryOn, widths: {} });
  useUndoKeys(history.undo, history.redo);
  const { tryOn: value, widths } = history.value;
  const change = (next: TryOn, field?: string): void => history.change({ tryOn: next, widths }, field);
  const saving = useSavedTryOn(id, revision, value);
  const product = useProduct(value);
  const resizing = useWidths(widths);
  const [choosing, setChoosing] = useState(false);
  const [exporting, setExporting] = useState(false);
  const [pattern] = usePatterns([value.source]);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_320px] grid-rows-[48px_minmax(0,1fr)]">
      <Head
        history={history}
        saving={saving}
        onRename={(name) => change({ ...value, name })}
        onExport={() => setExporting(true)}
      />
      <Fetched what="product" query={product} back={BACK}>
        {(data) => (
          <Dressing
            key={data.product.id}
            {...data}
            tryOn={value}
            onChange={change}
            wantedWidth={resizing.isBusy ? widths[value.product] : undefined}
            onWidth={(mm, was) => {
              resizing.begin(value.product, was);
              history.change({ tryOn: value, widths: { ...widths, [value.product]: mm } });
            }}
            onProduct={() => setChoosing(true)}
          />
        )}
      </Fetched>
      <ProductDialog
        open={choosing}
        chosen={value.product}
        onChoose={(next) => {
          change(onProduct(value, next));
          setChoosing(false);
        }}
        onClose={() => setChoosing(false)}
      />
      <TryOnFileDialog
        open={exporting}
        onClose={() => setExporting(false)}
        tryOns={[id]}
        colourways={pattern?.data?.pattern?.design.colourways}
        beginning={Math.max(product.data?.product.width ?? 0, product.data?.product.height ?? 0) || 1200}
      />
    </div>
  );
}

/** What is undone on this screen. */
interface Work {
  readonly tryOn: TryOn;
  readonly widths: Widths;
}

interface HeadProps {
  readonly history: History<Work>;
  readonly saving: Saving;
  readonly onRename: (name: string) => void;
  readonly onExport: () => void;
}

function Head({ history, saving, onRename, onExport }: HeadProps) {
  const { name } = history.value.tryOn;
  const text = { saved: TEXTS.saved, saving: TEXTS.saving, waiting: TEXTS.notSaved }[saving.state];
  return (
    <header className="col-span-2 flex min-w-0 items-center gap-3 border-b border-thread px-3">
      <Link to={BACK.to} className="rounded-sm text-sm text-graphite hover:text-ink">
        {TEXTS.tryOns}
      </Link>
      <span aria-hidden className="text-thread">
        /
      </span>
      <NameField
        label={TEXTS.nameOfTheTryOn}
        name={name}
        size={Math.min(40, Math.max(8, name.length))}
        onRename={onRename}
        className="h-8 border-transparent bg-transparent font-name text-base font-semibold hover:border-thread"
      />
      <span className="grow" />
      <span
        role="status"
        data-saved={saving.state}
        className={`min-w-0 truncate text-xs ${saving.why ? 'font-semibold text-madder' : 'text-graphite'}`}
      >
        {text}
        {saving.why && `: ${saving.why}`}
      </span>
      <HistoryButtons history={history} />
      <Button look="accent" disabled={saving.state !== 'saved'} onClick={onExport}>
        <Download size={15} aria-hidden /> {TEXTS.exportIt}
      </Button>
    </header>
  );
}
