import { useQueries } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { StoredTryOn } from '../../../contract/index.ts';
import { fillOf, followEdit, layAbout, type Piece, type Product, type TryOn } from '../../../core/tryon/index.ts';
import { tryOnQuery } from '../../api/tryOns.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { BackLink } from '../../ui/BackLink.tsx';
import { Fetched } from '../../ui/Fetched.tsx';
import { HistoryButtons } from '../../ui/HistoryButtons.tsx';
import { useHistory } from '../../ui/useHistory.ts';
import { useUndoKeys } from '../../ui/useUndoKeys.ts';
import { Compared } from './Compared.tsx';
import { MOST_COMPARED } from './limits.ts';
import { TEXTS } from './texts.ts';

const BACK = { to: '/try-ons', name: TEXTS.tryOns };

/** Two to six try-ons side by side, scaled, turned and moved together. */
export function ComparePage() {
  const [search] = useSearchParams();
  const ids = (search.get('ids') ?? '').split(',').filter(Boolean).slice(0, MOST_COMPARED);
  const results = useQueries({ queries: ids.map(tryOnQuery) });
  const data = results.flatMap((result) => (result.data ? [result.data] : []));
  const error = results.find((result) => result.error)?.error ?? null;
  return (
    <Fetched what="comparison" query={{ data: data.length === ids.length ? data : undefined, error }} back={BACK}>
      {(stored) => <Comparison key={ids.join()} stored={stored} />}
    </Fetched>
  );
}

function Comparison({ stored }: { readonly stored: readonly StoredTryOn[] }) {
  const history = useHistory<readonly TryOn[]>(stored.map(({ tryOn }) => tryOn));
  const { value, change } = history;
  useUndoKeys(history.undo, history.redo);
  // What the hand is about to make of them.
  const [drafts, setDrafts] = useState<readonly TryOn[]>();
  const [products, setProducts] = useState<ReadonlyMap<number, Product>>(new Map());
  const shown = drafts ?? value;
  const first = shown[0];
  const product = products.get(0);
  /** What becomes of all where one was changed. */
  const followed = (n: number, next: TryOn): readonly TryOn[] => {
    const [before, edited] = [value[n], products.get(n)];
    if (!before || !edited) return value;
    return value.map((tryOn, k) => {
      const own = products.get(k);
      return k === n ? next : own ? followEdit(before, next, edited, tryOn, own) : tryOn;
    });
  };
  const rest = (n: number, next: TryOn): void => {
    setDrafts(undefined);
    change(followed(n, next));
  };
  const layAll = (lay: { scale?: number; rotation?: number }): void => {
    const piece = product?.pieces[0] as Piece;
    if (first && product) rest(0, layAbout(value[0] ?? first, product, piece.id, lay, piece.datum));
  };
  const fill = first && product ? fillOf(first, (product.pieces[0] as Piece).id) : undefined;
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-12 shrink-0 items-center gap-3 border-b border-thread px-3">
        <BackLink to={BACK.to} name={TEXTS.tryOns} />
        <h1 className="font-name text-base font-semibold">{TEXTS.sideBySide}</h1>
        <span className="grow" />
        {fill && (
          <div className="flex items-center gap-2 text-sm text-graphite">
            <span aria-hidden>{TEXTS.scale}</span>
            <span className="w-24">
              <AmountField
                label={TEXTS.scale}
                hideLabel
                sign="%"
                value={Number((fill.scale * 100).toFixed(2))}
                min={2}
                max={5000}
                onChange={(percent) => layAll({ scale: percent / 100 })}
              />
            </span>
            <span aria-hidden>{TEXTS.rotation}</span>
            <span className="w-20">
              <AmountField
                label={TEXTS.rotation}
                hideLabel
                sign="°"
                value={fill.rotation}
                min={-360}
                max={360}
                onChange={(rotation) => layAll({ rotation })}
              />
            </span>
          </div>
        )}
        <HistoryButtons history={history} />
      </header>
      <main
        className={`grid min-h-0 grow auto-rows-fr gap-px bg-thread ${stored.length > 4 ? 'grid-cols-3' : 'grid-cols-2'}`}
      >
        {stored.map(({ id, revision }, n) => (
          <Compared
            key={id}
            id={id}
            revision={revision}
            saved={value[n] as TryOn}
            tryOn={shown[n] as TryOn}
            isMoving={drafts !== undefined}
            onProduct={(own) => setProducts((before) => new Map(before).set(n, own))}
            onMove={(next) => setDrafts(followed(n, next))}
            onRest={(next) => rest(n, next)}
          />
        ))}
      </main>
    </div>
  );
}
