import { wrap } from 'comlink';
import type { PaintHost } from './paintClient.ts';
import type { PaintService } from './paintMessages.ts';
import { TEXTS } from './texts.ts';

/** A paint worker of its own. */
export function startPaintWorker(): PaintHost {
  const worker = new Worker(new URL('./paintWorker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<PaintService>(worker);
  return {
    service: { paint: (order) => remote.paint(order) },
    onDeath(listener) {
      worker.onerror = ({ message }) => listener(message || TEXTS.itsWorkerEnded);
      worker.onmessageerror = () => listener(TEXTS.itsAnswerCouldNotBe);
    },
    close: () => worker.terminate(),
  };
}
