import { useMemo, useRef, useState } from 'react';
import { type Product, type ProductDrawing, sourceKey, type TryOn, WALL_ID } from '../../../core/tryon/index.ts';
import { productPictureUrl } from '../../api/tryOns.ts';
import { Button } from '../../ui/Button.tsx';
import { TicketPart } from '../../ui/TicketPart.tsx';
import { useSize } from '../../ui/useSize.ts';
import { DropLines } from './DropLines.tsx';
import { LayDialog } from './LayDialog.tsx';
import { OwnProductFields } from './OwnProductFields.tsx';
import type { ClothPoint } from './pointing.ts';
import { RollFields } from './RollFields.tsx';
import { TEXTS } from './texts.ts';
import { fit, TryOnStage } from './TryOnStage.tsx';
import { TryOnTicket } from './TryOnTicket.tsx';
import { useDressed } from './useDressed.ts';
import { useKnownPatterns } from './useKnownPatterns.ts';

/** Pixels of the picture's longer side on the screen, at the most. */
const MOST_SIDE = 2000;
/** Workers that share the picture: as many as gain by it where there are two processors. */
const THREADS = 2;

interface Props {
  readonly product: Product;
  readonly drawing: ProductDrawing;
  readonly tryOn: TryOn;
  readonly onChange: (next: TryOn) => void;
  readonly onProduct: () => void;
  /** How wide the product is being made, mm. */
  readonly wantedWidth: number | undefined;
  /** A product of the studio's own is to be made as wide as this, mm. */
  readonly onWidth: (mm: number, was: number) => void;
}

/** The product as it is dressed, with the ticket that says how. */
export function Dressing({ product, drawing, tryOn, onChange, onProduct, wantedWidth, onWidth }: Props) {
  const place = useRef<HTMLElement>(null);
  const { width, height } = useSize(place);
  const [laying, setLaying] = useState(false);
  // Several flat pieces are cut from cloth; one is cut by its width.
  const isCut = product.pieces.filter(({ face }) => face.kind === 'flat').length > 1;
  const [held, setHeld] = useState<ClothPoint>();
  // What the hand is about to make of it.
  const [draft, setDraft] = useState<TryOn>();
  const shown = draft ?? tryOn;
  const known = useKnownPatterns(shown, product);
  const pattern = known.patterns.get(sourceKey(shown.source))?.pattern;
  // Only one pattern at one size and angle can be cut from one cloth.
  const isOne = shown.pieces.every(({ source, lay }) => !source && !lay);
  const kept = pattern && isOne ? { tryOn: shown, repeat: pattern.design.repeat } : undefined;
  const size = fit(product, width, height);
  const side = Math.min(MOST_SIDE, Math.round(Math.max(size.width, size.height) * Math.min(2, devicePixelRatio)));
  const made = useMemo(() => ({ product, drawing }), [product, drawing]);
  const dressed = useDressed(made, shown, known, width > 0 ? side : 0, draft !== undefined, THREADS);
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
            isComing={draft === undefined && !dressed.isCurrent}
            width={width}
            height={height}
            held={held}
            onHold={setHeld}
            onMove={setDraft}
            onRest={rest}
          >
            {product.id === WALL_ID && <DropLines tryOn={shown} repeat={pattern?.design.repeat} unit={size.unit} />}
          </TryOnStage>
        )}
      </main>
      <aside
        aria-label={TEXTS.product}
        className="flex min-h-0 flex-col gap-5 overflow-y-auto border-l border-thread p-5"
      >
        <TicketPart name={TEXTS.product}>
          <div className="flex items-center gap-3">
            <img
              src={productPictureUrl(product)}
              alt=""
              className="h-14 w-18 rounded-sm border border-thread object-contain"
              style={{ background: product.backdrop }}
            />
            <span className="min-w-0">
              <span className="block truncate text-sm font-medium" title={product.name}>
                {product.name}
              </span>
              <span className="block text-xs text-graphite">{product.size}</span>
            </span>
          </div>
          <Button onClick={onProduct}>{TEXTS.changeProduct}</Button>
          {product.group === 'own' && (
            <OwnProductFields product={product} wantedWidth={wantedWidth} onWidth={onWidth} />
          )}
          {isCut && <Button onClick={() => setLaying(true)}>{TEXTS.layOnCloth}</Button>}
          {isCut && (
            <LayDialog
              open={laying}
              onClose={() => setLaying(false)}
              product={product}
              drawing={drawing}
              tryOn={shown}
              patterns={known.patterns}
              pattern={kept}
            />
          )}
        </TicketPart>
        <TryOnTicket
          product={product}
          tryOn={shown}
          patterns={known.patterns}
          missing={known.missing}
          extents={dressed.map?.extents ?? []}
          held={held}
          onHold={setHeld}
          onChange={rest}
        />
        {product.id === WALL_ID && <RollFields tryOn={shown} repeat={pattern?.design.repeat} onChange={rest} />}
      </aside>
    </>
  );
}
