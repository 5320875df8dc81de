import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { PieceMap, Product, ProductDrawing, TryOn } from '../../../core/tryon/index.ts';
import type { Pattern } from '../../api/tryOns.ts';
import { useNewest } from '../../ui/useNewest.ts';
import type { Dressed, DressService } from './dressMessages.ts';

/** What is wished for: `given` counts what the worker was given, so that something new is shown. */
interface Wish {
  readonly worker: Remote<DressService> | undefined;
  readonly tryOn: TryOn;
  readonly side: number;
  readonly isQuick: boolean;
  readonly patterns: ReadonlyMap<string, Pattern>;
}

export interface DressedPicture {
  readonly picture: Dressed | undefined;
  readonly map: PieceMap | undefined;
  readonly failure: string | undefined;
  /** Whether what is shown is what is wished for, in full. */
  readonly isCurrent: boolean;
}

interface Dresser {
  readonly worker: Remote<DressService>;
  readonly map: PieceMap;
}

/**
 * Has a try-on painted in a worker, whenever it changes.
 *
 * @param side of the picture's longer side, px
 * @param isMoving whether the hand is moving something: then a picture of half the size does
 */
export function useDressed(
  { product, drawing }: { readonly product: Product; readonly drawing: ProductDrawing },
  tryOn: TryOn,
  patterns: ReadonlyMap<string, Pattern>,
  side: number,
  isMoving: boolean,
): DressedPicture {
  const dresser = useDresser(product, drawing);
  const wish: Wish = {
    worker: dresser?.worker,
    tryOn,
    side: isMoving ? Math.round(side / 2) : side,
    isQuick: isMoving,
    patterns,
  };
  const { done, failure, isBusy } = useNewest<Wish, Dressed | undefined>(wish, isSame, dress);
  return {
    picture: done?.result,
    map: dresser?.map,
    failure,
    isCurrent: !isBusy && done?.result !== undefined && isSame(done.of, wish) && !isMoving,
  };
}

function isSame(a: Wish, b: Wish): boolean {
  return (
    a.worker === b.worker &&
    a.tryOn === b.tryOn &&
    a.side === b.side &&
    a.isQuick === b.isQuick &&
    a.patterns === b.patterns
  );
}

async function dress({ worker, tryOn, side, isQuick, patterns }: Wish): Promise<Dressed | undefined> {
  if (!worker || side < 16) return undefined;
  for (const [key, { state, pattern }] of patterns) if (pattern) await worker.setPattern(key, state, pattern);
  return worker.dress({ tryOn, side, isQuick });
}

/** A worker that knows a product, as long as this screen is there. */
function useDresser(product: Product, drawing: ProductDrawing): Dresser | undefined {
  const [dresser, setDresser] = useState<Dresser>();
  useEffect(() => {
    const thread = new Worker(new URL('./dressWorker.ts', import.meta.url), { type: 'module' });
    const worker = wrap<DressService>(thread);
    let isGone = false;
    const begin = async (): Promise<void> => {
      await worker.setProduct(product, drawing);
      const map = await worker.mapPieces(product.id);
      // Wrapped once more, since what a worker is wrapped in looks like a promise.
      if (!isGone) setDresser(() => ({ worker, map }));
    };
    void begin();
    return () => {
      isGone = true;
      thread.terminate();
      setDresser(undefined);
    };
  }, [product, drawing]);
  return dresser;
}
