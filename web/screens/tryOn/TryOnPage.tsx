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
  const history = useHistory(tryOn);
  useUndoKeys(history.undo, history.redo);
  const saving = useSavedTryOn(id, revision, history.value);
  const product = useProduct(history.value);
  const [choosing, setChoosing] = useState(false);
  const [exporting, setExporting] = useState(false);
  const { value, change } = history;
  const [pattern] = usePatterns([value.source]);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_320px] grid-rows-[48px_minmax(0,1fr)]">
      <Head history={history} saving={saving} onExport={() => setExporting(true)} />
      <Fetched what="product" query={product} back={BACK}>
        {(data) => (
          <Dressing
            key={data.product.id}
            {...data}
            tryOn={value}
            onChange={change}
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

interface HeadProps {
  readonly history: History<TryOn>;
  readonly saving: Saving;
  readonly onExport: () => void;
}

function Head({ history, saving, onExport }: HeadProps) {
  const { value, change } = history;
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
        name={value.name}
        size={Math.min(40, Math.max(8, value.name.length))}
        onRename={(name) => change({ ...value, name })}
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
