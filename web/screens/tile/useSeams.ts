import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import { messageOf } from '../../../core/problem/index.ts';
import type { OwnRepeat } from '../../../core/tile/index.ts';
import type { CheckedSeams, SeamOrder, TileWorker } from './tileWorker.ts';

/** ms that the frame has to be still before its edges are looked at. */
const STILL_MS = 250;

/** What is said of a frame's edges, or why nothing can be; undefined while it is looked at. */
export type SeenSeams = CheckedSeams | { readonly problem: string | undefined } | undefined;

/** Looks in a worker whether a frame is a tile by itself, once the frame is still; an order that is undefined asks for nothing. */
export function useSeams(order: SeamOrder | undefined): SeenSeams {
  const [seen, setSeen] = useState<{ readonly order: SeamOrder; readonly seams: SeenSeams }>();
  useEffect(() => {
    if (!order) return;
    let worker: Worker | undefined;
    const timer = setTimeout(() => {
      worker = new Worker(new URL('./tileWorker.ts', import.meta.url), { type: 'module' });
      wrap<TileWorker>(worker)
        .check(order)
        .then(
          (seams) => setSeen({ order, seams: seams ?? { problem: undefined } }),
          (error: unknown) => setSeen({ order, seams: { problem: messageOf(error) } }),
        );
    }, STILL_MS);
    return () => {
      clearTimeout(timer);
      worker?.terminate();
    };
  }, [order]);
  return seen && seen.order === order ? seen.seams : undefined;
}

/** The repeat that a picture shows by itself, in the picture's pixels; found in a worker. */
export async function findRepeat(picture: Pick<SeamOrder, 'url' | 'pictureWidth'>): Promise<OwnRepeat | undefined> {
  const worker = new Worker(new URL('./tileWorker.ts', import.meta.url), { type: 'module' });
  try {
    return await wrap<TileWorker>(worker).repeat(picture);
  } finally {
    worker.terminate();
  }
}
