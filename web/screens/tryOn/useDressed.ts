import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { PieceMap, Product, ProductDrawing, TryOn } from '../../../core/tryon/index.ts';
import type { Pattern } from '../../api/tryOns.ts';
import { unlessEnded } from '../../ui/unlessEnded.ts';
import { useNewest } from '../../ui/useNewest.ts';
import type { Dressed, DressService } from './dressMessages.ts';
import type { KnownPatterns } from './useKnownPatterns.ts';

/** A service whose methods answer later. */
type Answering<S> = {
  readonly [K in keyof S]: S[K] extends (...given: infer A) => infer R ? (...given: A) => Promise<Awaited<R>> : never;
};

/** What is wished for: `given` counts what the worker was given, so that something new is shown. */
interface Wish {
  readonly workers: readonly Answering<Pick<DressService, 'setPattern' | 'dress'>>[];
  /** Aborts when these workers are ended, which then answer nothing any more. */
  readonly ended?: AbortSignal | undefined;
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
  /** Each dresses its part of the picture. */
  readonly workers: readonly Remote<DressService>[];
  readonly ended: AbortSignal;
  readonly map: PieceMap;
}

/**
 * Has a try-on painted in workers, whenever it changes.
 *
 * @param side of the picture's longer side, px
 * @param isMoving whether the hand is moving something: then a picture of half the size does
 * @param threads how many workers share the picture
 */
export function useDressed(
  { product, drawing }: { readonly product: Product; readonly drawing: ProductDrawing },
  tryOn: TryOn,
  { patterns, isComplete }: KnownPatterns,
  side: number,
  isMoving: boolean,
  threads = 1,
): DressedPicture {
  const dresser = useDresser(product, drawing, threads);
  const wish: Wish = {
    workers: dresser?.workers ?? NOBODY,
    ended: dresser?.ended,
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
    isCurrent: isComplete && !isBusy && done?.result !== undefined && isSame(done.of, wish) && !isMoving,
  };
}

function isSame(a: Wish, b: Wish): boolean {
  return (
    a.workers === b.workers &&
    a.tryOn === b.tryOn &&
    a.side === b.side &&
    a.isQuick === b.isQuick &&
    a.patterns === b.patterns
  );
}

const NOBODY: readonly Remote<DressService>[] = [];

/** Paints a try-on. @returns nothing where there is nobody who could, or not any more */
export async function dress({ workers, ended, tryOn, side, isQuick, patterns }: Wish): Promise<Dressed | undefined> {
  if (workers.length === 0 || side < 16) return undefined;
  const parts = workers.length;
  const dressing = Promise.all(
    workers.map(async (worker, part) => {
      for (const [key, { state, pattern }] of patterns) if (pattern) await worker.setPattern(key, state, pattern);
      return worker.dress({ tryOn, side, isQuick, part, parts });
    }),
  );
  return joined((await unlessEnded(dressing, ended)) ?? []);
}

/** Parts of a picture, top to bottom, as one. */
export function joined(parts: readonly Dressed[]): Dressed | undefined {
  const [first, second] = parts;
  if (!first || !second) return first;
  const pixels = new Uint8ClampedArray(parts.reduce((sum, part) => sum + part.pixels.length, 0));
  let at = 0;
  for (const part of parts) {
    pixels.set(part.pixels, at);
    at += part.pixels.length;
  }
  const height = parts.reduce((sum, part) => sum + part.height, 0);
  return { width: first.width, height, pixels, took: Math.max(...parts.map(({ took }) => took)) };
}

/** Workers that know a product, as long as this screen is there. */
function useDresser(product: Product, drawing: ProductDrawing, threads: number): Dresser | undefined {
  const [dresser, setDresser] = useState<Dresser>();
  useEffect(() => {
    const all = Array.from(
      { length: threads },
      () => new Worker(new URL('./dressWorker.ts', import.meta.url), { type: 'module' }),
    );
    const workers = all.map((thread) => wrap<DressService>(thread));
    const ending = new AbortController();
    const begin = async (): Promise<void> => {
      await Promise.all(workers.map((worker) => worker.setProduct(product, drawing)));
      const map = await workers[0]?.mapPieces(product.id);
      if (!ending.signal.aborted && map) setDresser({ workers, ended: ending.signal, map });
    };
    void begin();
    return () => {
      for (const thread of all) thread.terminate();
      ending.abort();
      setDresser(undefined);
    };
  }, [product, drawing, threads]);
  return dresser;
}
