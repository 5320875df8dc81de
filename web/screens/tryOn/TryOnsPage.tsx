import { Columns2, Download, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { TryOnSummary } from '../../../contract/index.ts';
import { tryOnPictureUrl, useProducts, useTryOnRemoval, useTryOns } from '../../api/tryOns.ts';
import { Button } from '../../ui/Button.tsx';
import { Masthead } from '../../ui/Masthead.tsx';
import { useRemoval } from '../../ui/useRemoval.ts';
import { MOST_COMPARED } from './limits.ts';
import { TEXTS } from './texts.ts';
import { TryOnFileDialog } from './TryOnFileDialog.tsx';

/** All try-ons, as pictures of themselves. */
export function TryOnsPage() {
  const tryOns = useTryOns();
  const [ids, setIds] = useState<ReadonlySet<string>>(new Set());
  // One that was deleted meanwhile is not selected any more.
  const selected = (tryOns.data ?? []).filter(({ id }) => ids.has(id)).map(({ id }) => id);
  return (
    <div className="flex h-full flex-col">
      <Masthead>
        <Link
          to="/try-ons/new"
          className="inline-flex h-8 items-center gap-1.5 rounded-md border border-madder bg-madder px-3 text-sm font-medium text-white hover:bg-madder-dark"
        >
          <Plus size={16} aria-hidden /> {TEXTS.newTryOn}
        </Link>
      </Masthead>
      <main className="grow overflow-auto px-8 pt-6 pb-10">
        <h1 className="font-name text-2xl font-semibold">{TEXTS.tryOns}</h1>
        {tryOns.isError && (
          <p role="alert" className="mt-4 text-madder">
            {tryOns.error.message}
          </p>
        )}
        {tryOns.data?.length === 0 && <p className="mt-4 max-w-md">{TEXTS.noTryOnsYet}</p>}
        <ul className="mt-5 grid grid-cols-[repeat(auto-fill,minmax(264px,1fr))] gap-x-6 gap-y-8">
          {tryOns.data?.map((tryOn) => (
            <Card
              key={tryOn.id}
              tryOn={tryOn}
              isSelected={ids.has(tryOn.id)}
              onSelect={(on) => setIds(new Set(on ? [...ids, tryOn.id] : selected.filter((id) => id !== tryOn.id)))}
            />
          ))}
        </ul>
      </main>
      {selected.length > 0 && <SelectionBar selected={selected} onClear={() => setIds(new Set())} />}
    </div>
  );
}

/** What can be done with several try-ons at once. */
function SelectionBar({ selected, onClear }: { readonly selected: readonly string[]; readonly onClear: () => void }) {
  const navigate = useNavigate();
  const [exporting, setExporting] = useState(false);
  const isComparable = selected.length >= 2 && selected.length <= MOST_COMPARED;
  return (
    <div role="toolbar" className="flex items-center gap-2 border-t border-thread bg-calico px-8 py-2.5">
      <span className="text-sm font-medium">{TEXTS.selected(selected.length)}</span>
      {!isComparable && <span className="text-sm text-graphite">{TEXTS.compareHint(MOST_COMPARED)}</span>}
      <span className="grow" />
      <Button disabled={!isComparable} onClick={() => void navigate(`/try-ons/compare?ids=${selected.join(',')}`)}>
        <Columns2 size={15} aria-hidden /> {TEXTS.compare}
      </Button>
      <Button onClick={() => setExporting(true)}>
        <Download size={15} aria-hidden /> {TEXTS.exportIt}
      </Button>
      <Button look="quiet" onClick={onClear}>
        {TEXTS.clearSelection}
      </Button>
      <TryOnFileDialog open={exporting} onClose={() => setExporting(false)} tryOns={selected} beginning={1200} />
    </div>
  );
}

interface CardProps {
  readonly tryOn: TryOnSummary;
  readonly isSelected: boolean;
  readonly onSelect: (on: boolean) => void;
}

function Card({ tryOn, isSelected, onSelect }: CardProps) {
  const products = useProducts();
  const remove = useRemoval(useTryOnRemoval(), TEXTS.nameWasDeleted);
  const { id, name } = tryOn;
  return (
    <li className="group relative">
      <Link to={`/try-ons/${id}`} className="block">
        <img
          src={tryOnPictureUrl(tryOn)}
          alt=""
          className="h-52 w-full rounded-sm border border-thread bg-linen object-cover"
        />
        <span className="mt-2 block truncate pr-9 font-name text-base font-semibold" title={name}>
          {name}
        </span>
        <span className="block truncate text-sm text-graphite">
          {products.data?.find((product) => product.id === tryOn.product)?.name}
        </span>
      </Link>
      <label className="absolute top-2 left-2 grid h-8 w-8 cursor-pointer place-items-center rounded-md bg-calico/85">
        <input
          type="checkbox"
          aria-label={TEXTS.select(name)}
          checked={isSelected}
          onChange={(event) => onSelect(event.target.checked)}
          className="h-4 w-4 accent-ink"
        />
      </label>
      <Button
        look="quiet"
        label={TEXTS.deleteName(name)}
        onClick={() => remove(tryOn)}
        className="absolute right-0 bottom-2 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
      >
        <Trash2 size={15} aria-hidden />
      </Button>
    </li>
  );
}
