import { type Remote, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { messageOf } from '../../../core/problem/index.ts';
import type { SeenTile, TileOrder, TileWorker } from './tileWorker.ts';

interface Desk {
  readonly remote: Remote<TileWorker>;
  working: boolean;
  wanted: readonly TileOrder[] | undefined;
}

/** What is to be made; whether it may be coarse is said by how it is used. */
export type TileAsk = Omit<TileOrder, 'draft'>;

/** What the worker last made of some orders, in their order; a sentence for each that cannot be made. */
export interface SeenTiles {
  readonly tiles: readonly (SeenTile | string)[];
  readonly busy: boolean;
}

/** ms after the last change of an order until it is made as fine as it says. */
const STILL_MS = 120;

/** Makes tiles in a worker, all of a list before the next list, which is what is wanted by then. A single one is made coarser while it changes. */
export function useTiles(asked: readonly TileAsk[]): SeenTiles {
  const [tiles, setTiles] = useState<readonly (SeenTile | string)[]>([]);
  const [busy, setBusy] = useState(true);
  const desk = useRef<Desk>(undefined);

  useEffect(() => {
    const worker = new Worker(new URL('./tileWorker.ts', import.meta.url), { type: 'module' });
    desk.current = { remote: wrap<TileWorker>(worker), working: false, wanted: undefined };
    return () => {
      desk.current = undefined;
      worker.terminate();
    };
  }, []);

  useEffect(() => {
    const own = desk.current;
    if (!own) return;
    const make = async (draft: boolean): Promise<void> => {
      own.wanted = asked.map((order) => ({ ...order, draft }));
      if (own.working) return;
      own.working = true;
      let finished = false;
      while (own.wanted) {
        const list: readonly TileOrder[] = own.wanted;
        own.wanted = undefined;
        const made: (SeenTile | string)[] = [];
        for (const order of list) {
          made.push(await own.remote.make(order).catch(messageOf));
          // A list that is no longer wanted is not made to its end, but a single tile always, so that the cloth follows the hand.
          if (own.wanted && list.length > 1) break;
        }
        if (made.length === list.length) setTiles(made);
        finished = !list.some((order) => order.draft);
      }
      own.working = false;
      if (finished) setBusy(false);
    };
    setBusy(true);
    if (asked.length !== 1) {
      void make(false);
      return;
    }
    void make(true);
    const timer = setTimeout(() => void make(false), STILL_MS);
    return () => clearTimeout(timer);
  }, [asked]);

  return { tiles, busy };
}
