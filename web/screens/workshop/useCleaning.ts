import { useEffect, useRef, useState } from 'react';
import type { CleanSteps } from '../../../core/recipe/index.ts';
import type { CleanAnswer, CleanedPicture, CleanOrder, TiltOrder } from './cleanMessages.ts';
import { TEXTS } from './texts.ts';

/** What the worker last made of the picture, and whether it is at it again. */
export interface Cleaning {
  readonly picture: CleanedPicture | undefined;
  readonly busy: boolean;
  readonly problem: string | undefined;
  /** Finds by how much the picture is to be straightened, degrees. */
  findTilt(): Promise<number>;
}

/**
 * Cleans the shown picture in a worker, step by step as they are changed. One order at a time: the next begins with
 * what is wanted by then.
 */
export function useCleaning(url: string, perMm: number, steps: CleanSteps, straightOnly: boolean): Cleaning {
  const [picture, setPicture] = useState<CleanedPicture>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(true);
  const desk = useRef<{
    worker: Worker;
    wanted: CleanOrder | undefined;
    ordered: CleanOrder | undefined;
    tilts: Map<number, (tilt: number) => void>;
    next: number;
  }>(undefined);

  useEffect(() => {
    const worker = new Worker(new URL('./cleanWorker.ts', import.meta.url), { type: 'module' });
    const own = {
      worker,
      wanted: undefined as CleanOrder | undefined,
      ordered: undefined as CleanOrder | undefined,
      tilts: new Map<number, (tilt: number) => void>(),
      next: 1,
    };
    desk.current = own;
    worker.onmessage = ({ data }: MessageEvent<CleanAnswer>) => {
      if ('tilt' in data) {
        own.tilts.get(data.id)?.(data.tilt);
        own.tilts.delete(data.id);
        return;
      }
      if ('failed' in data) setProblem(TEXTS.thisCouldNotBeShown(data.failed));
      else {
        setProblem(undefined);
        setPicture(data);
      }
      own.ordered = own.wanted;
      own.wanted = undefined;
      if (own.ordered) worker.postMessage(own.ordered);
      else setBusy(false);
    };
    return () => worker.terminate();
  }, []);

  useEffect(() => {
    const own = desk.current;
    if (!own) return;
    const order: CleanOrder = { id: own.next, url, perMm, steps, straightOnly };
    own.next += 1;
    if (own.ordered) own.wanted = order;
    else {
      own.ordered = order;
      own.worker.postMessage(order);
    }
    setBusy(true);
  }, [url, perMm, steps, straightOnly]);

  return {
    picture,
    busy,
    problem,
    findTilt: () =>
      new Promise((resolve) => {
        const own = desk.current;
        if (!own) return;
        const order: TiltOrder = { id: own.next, url, findTilt: true, quarters: steps.quarters };
        own.next += 1;
        own.tilts.set(order.id, resolve);
        own.worker.postMessage(order);
      }),
  };
}
