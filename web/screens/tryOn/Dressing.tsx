import { useMemo, useRef, useState } from 'react';
import { type Product, type ProductDrawing, sourceKey, sourcesOf, type TryOn } from '../../../core/tryon/index.ts';
import { ApiProblem } from '../../api/client.ts';
import { type Pattern, productPictureUrl, usePatterns } from '../../api/tryOns.ts';
import { TicketPart } from '../../ui/TicketPart.tsx';
import { useSize } from '../../ui/useSize.ts';
import type { ClothPoint } from './pointing.ts';
import { TEXTS } from './texts.ts';
import { fit, TryOnStage } from './TryOnStage.tsx';
import { TryOnTicket } from './TryOnTicket.tsx';
import { useDressed } from './useDressed.ts';

/** Pixels of the picture's longer side on the screen, at the most. */
const MOST_SIDE = 2000;

interface Props {
  readonly product: Product;
  readonly drawing: ProductDrawing;
  readonly tryOn: TryOn;
  readonly onChange: (next: TryOn) => void;
  readonly onProduct: () => void;
}

/** The product as it is dressed, with the ticket that says how. */
export function Dressing({ product, drawing, tryOn, onChange, onProduct }: Props) {
  const place = useRef<HTMLElement>(null);
  const { width, height } = useSize(place);
  const [held, setHeld] = useState<ClothPoint>();
  // What the hand is about to make of it.
  const [draft, setDraft] = useState<TryOn>();
  const shown = draft ?? tryOn;
  const { patterns, missing } = useKnownPatterns(shown, product);
  const size = fit(product, width, height);
  const side = Math.min(MOST_SIDE, Math.round(Math.max(size.width, size.height) * Math.min(2, devicePixelRatio)));
  const made = useMemo(() => ({ product, drawing }), [product, drawing]);
  const dressed = useDressed(made, shown, patterns, width > 0 ? side : 0, draft !== undefined);
  const rest = (next: TryOn): void => {
    setDraft(undefined);
    onChange(next);
  };
  return (
    <>
      <main ref={place} className="grid min-h-0 min-w-0 place-items-center overflow-hidden bg-linen/40">
        {dressed.failure !== undefined ? (
          <p role="alert" className="max-w-md p-8 text-center">
            {TEXTS.notShown(dressed.failure)}
          </p>
        ) : (
          <TryOnStage
            product={product}
            tryOn={shown}
            dressed={dressed}
            width={width}
            height={height}
            held={held}
            onHold={setHeld}
            onMove={setDraft}
            onRest={rest}
          />
        )}
      </main>
      <aside
        aria-label={TEXTS.product}
        className="flex min-h-0 flex-col gap-5 overflow-y-auto border-l border-thread p-5"
      >
        <TicketPart name={TEXTS.product}>
          <button
            type="button"
            onClick={onProduct}
            aria-label={TEXTS.changeProduct}
            className="flex items-center gap-3 rounded-md border border-thread bg-white p-1 text-left hover:border-graphite"
          >
            <img src={productPictureUrl(product.id)} alt="" className="h-14 w-18 rounded-sm object-contain" />
            <span className="min-w-0">
              <span className="block truncate text-sm font-medium">{product.name}</span>
              <span className="block truncate text-xs text-graphite" title={product.size}>
                {product.size}
              </span>
            </span>
          </button>
        </TicketPart>
        <TryOnTicket
          product={product}
          tryOn={shown}
          patterns={patterns}
          missing={missing}
          extents={dressed.map?.extents ?? []}
          held={held}
          onChange={rest}
        />
      </aside>
    </>
  );
}

/** The patterns of a try-on by what they are made of, and those that are no longer there. */
function useKnownPatterns(tryOn: TryOn, product: Product) {
  const sources = sourcesOf(tryOn, product.pieces);
  const results = usePatterns(sources);
  const key = results
    .map(({ dataUpdatedAt, isError, data }) => `${data?.state} ${isError} ${isError || dataUpdatedAt > 0}`)
    .join();
  const keys = sources.map(sourceKey).join();
  return useMemo(() => {
    const patterns = new Map<string, Pattern>();
    const missing = new Set<string>();
    results.forEach(({ data, error }, n) => {
      const source = sources[n];
      if (!source) return;
      if (error instanceof ApiProblem && error.status === 404) missing.add(sourceKey(source));
      else if (data) patterns.set(sourceKey(source), data);
    });
    return { patterns, missing };
    // The same as long as no pattern has changed, so that nothing is painted anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, keys]);
}
