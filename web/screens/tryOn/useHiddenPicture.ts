import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import { messageOf } from '../../../core/problem/index.ts';
import type { MaskStep } from '../../../core/tryon/index.ts';
import { unlessEnded } from '../../ui/unlessEnded.ts';
import { useNewest } from '../../ui/useNewest.ts';
import type { HiddenPicture, MaskService } from './maskMessages.ts';

/** A photograph, and its size as it is kept. */
export interface MaskablePhoto {
  readonly url: string;
  readonly width: number;
  readonly height: number;
}

interface Wish {
  readonly masks: Masks | undefined;
  readonly steps: readonly MaskStep[];
  readonly stroke: MaskStep | undefined;
}

/** What some steps hide of a photograph, and a stroke that is still under the hand; made in a worker. */
export function useHiddenPicture(
  { url, width, height }: MaskablePhoto,
  steps: readonly MaskStep[],
  stroke: MaskStep | undefined,
): { readonly hidden: HiddenPicture | undefined; readonly failure: string | undefined } {
  const [masks, setMasks] = useState<Masks>();
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    const thread = new Worker(new URL('./maskWorker.ts', import.meta.url), { type: 'module' });
    const worker = wrap<MaskService>(thread);
    const ending = new AbortController();
    worker.open(url, { width, height }).then(
      () => ending.signal.aborted || setMasks(new Masks(worker, ending.signal)),
      (error: unknown) => ending.signal.aborted || setProblem(messageOf(error)),
    );
    return () => {
      thread.terminate();
      ending.abort();
    };
  }, [url, width, height]);
  const wish = { masks, steps, stroke };
  const { done, failure } = useNewest<Wish, HiddenPicture | undefined>(wish, isSame, findHidden);
  return { hidden: done?.result, failure: problem ?? failure };
}

const isSame = (a: Wish, b: Wish): boolean => a.masks === b.masks && a.steps === b.steps && a.stroke === b.stroke;

const findHidden = async ({ masks, steps, stroke }: Wish): Promise<HiddenPicture | undefined> =>
  masks?.hidden(steps, stroke);

/** The masks of one photograph. Tells the worker only of the steps that it does not know. */
class Masks {
  #told: readonly MaskStep[] = [];

  /** @param ended aborts when the worker is ended */
  constructor(
    readonly worker: Remote<MaskService>,
    readonly ended: AbortSignal,
  ) {}

  hidden(steps: readonly MaskStep[], stroke: MaskStep | undefined): Promise<HiddenPicture | undefined> {
    const changed = steps.findIndex((step, n) => step !== this.#told[n]);
    const kept = changed < 0 ? steps.length : changed;
    this.#told = steps;
    return unlessEnded(this.worker.hidden(kept, steps.slice(kept), stroke), this.ended);
  }
}
