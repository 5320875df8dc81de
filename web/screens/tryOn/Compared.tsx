import { useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { DrawnProduct, Product, TryOn } from '../../../core/tryon/index.ts';
import { useProduct } from '../../api/tryOns.ts';
import { useSize } from '../../ui/useSize.ts';
import type { ClothPoint } from './pointing.ts';
import { fit, TryOnStage } from './TryOnStage.tsx';
import { useDressed } from './useDressed.ts';
import { useKnownPatterns } from './useKnownPatterns.ts';
import { useSavedTryOn } from './useSavedTryOn.ts';

interface Props {
  readonly id: string;
  readonly revision: number;
  /** As the hand left it. */
  readonly saved: TryOn;
  /** As the hand is about to make it. */
  readonly tryOn: TryOn;
  readonly isMoving: boolean;
  readonly onProduct: (product: Product) => void;
  readonly onMove: (next: TryOn) => void;
  readonly onRest: (next: TryOn) => void;
}

/** One of several try-ons beside each other. */
export function Compared({ id, revision, saved, ...props }: Props) {
  const { data } = useProduct(props.tryOn);
  useSavedTryOn(id, revision, saved);
  const { onProduct } = props;
  useEffect(() => {
    if (data) onProduct(data.product);
    // Told once it is there.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [data]);
  return (
    <figure className="relative grid min-h-0 min-w-0 bg-calico">
      {data && <Shown {...props} made={data} />}
      <figcaption className="absolute bottom-2 left-3 max-w-[calc(100%-1.5rem)] truncate rounded-md border border-thread bg-calico px-2 py-0.5 text-sm font-medium">
        <Link to={`/try-ons/${id}`} className="hover:underline">
          {props.tryOn.name}
        </Link>
      </figcaption>
    </figure>
  );
}

type ShownProps = Pick<Props, 'tryOn' | 'isMoving' | 'onMove' | 'onRest'> & { readonly made: DrawnProduct };

function Shown({ made, tryOn, isMoving, onMove, onRest }: ShownProps) {
  const place = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(place);
  const [held, setHeld] = useState<ClothPoint>();
  const { product, drawing } = made;
  const kept = useMemo(() => ({ product, drawing }), [product, drawing]);
  const known = useKnownPatterns(tryOn, product);
  const size = fit(product, width, height);
  const side = width > 0 ? Math.round(Math.max(size.width, size.height)) : 0;
  const dressed = useDressed(kept, tryOn, known, side, isMoving);
  return (
    <div ref={place} className="grid min-h-0 min-w-0 place-items-center overflow-hidden">
      <TryOnStage
        product={product}
        tryOn={tryOn}
        dressed={dressed}
        isComing={!isMoving && !dressed.isCurrent}
        width={width}
        height={height}
        held={held}
        onHold={setHeld}
        onMove={onMove}
        onRest={onRest}
      />
    </div>
  );
}
