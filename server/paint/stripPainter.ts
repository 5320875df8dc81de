import { availableParallelism } from 'node:os';
import { transfer } from 'comlink';
import type { Box } from '../../core/geometry/index.ts';
import type { SpriteCache } from '../../core/paint/index.ts';
import { WorkerThread } from '../threads/workerThread.ts';
import type { StripDesk } from './exposeStrips.ts';
import { isSmallCell, type PagePainting } from './pagePainting.ts';
import type { PaintingOrder } from './preparePainting.ts';
import { paintStrip } from './strip.ts';

/** Paints windows of the plane. */
export interface StripPainter {
  /**
   * Windows in their order, as tightly packed pixels. Each is the caller's until three more have been asked for.
   *
   * @param progress called with the share of all of them that is painted, 0 to 1
   */
  strips(windows: readonly Box[], progress: (share: number) => void): AsyncGenerator<Uint8Array>;
  close(): Promise<void>;
}

const areaOf = ({ left, top, right, bottom }: Box): number => (right - left) * (bottom - top);

/** Paints one window after another on this thread. */
export class OwnThread implements StripPainter {
  constructor(
    readonly painting: PagePainting,
    readonly sprites: SpriteCache | undefined,
  ) {}

  async *strips(windows: readonly Box[], progress: (share: number) => void): AsyncGenerator<Uint8Array> {
    const total = windows.reduce((sum, window) => sum + areaOf(window), 0);
    let done = 0;
    for (const window of windows) {
      const area = areaOf(window);
      yield await paintStrip(this.painting, window, this.sprites, {
        progress: (share) => progress((done + share * area) / total),
      });
      done += area;
      progress(done / total);
    }
  }

  close(): Promise<void> {
    return Promise.resolve();
  }
}

/** Threads that paint a page; more would have nothing to run on, and each holds the motifs anew. */
const THREADS = 2;
/** Strips that a caller may still be at work with. */
const KEPT_BY_CALLER = 2;
/** Less is painted sooner than threads begin, pixels. */
const WORTH_IT = 1 << 23;
/** More than this each thread should not hold anew, pixels of pictures. */
const MOST_PICTURES = 1 << 24;

/** Whether so many pixels are painted sooner by threads: not where painted motifs are kept, since painting is then the least of the work. */
export function isForThreads(painting: PagePainting, pixels: number): boolean {
  const isLarge = !isSmallCell(painting) && pixels >= WORTH_IT;
  return isLarge && painting.picturePixels <= MOST_PICTURES && availableParallelism() >= THREADS;
}

/** Paints windows by turns on threads of their own, one ahead on each of what is asked for. */
export class ThreadPainter implements StripPainter {
  readonly #threads: readonly WorkerThread<StripDesk>[];

  readonly #prepared: readonly Promise<void>[];

  /**
   * @param start file that begins a thread, which has to expose its strips
   * @param order what is painted; threads begin while it is still made
   */
  constructor(start: URL, order: unknown) {
    this.#threads = Array.from({ length: THREADS }, () => new WorkerThread<StripDesk>(start));
    this.#prepared = this.#threads.map(async (thread) => {
      const made = await order;
      await thread.ask((desk) => desk.prepare(made));
    });
    // Told when a strip is asked for.
    for (const prepared of this.#prepared) prepared.catch(() => undefined);
  }

  async *strips(windows: readonly Box[], progress: (share: number) => void): AsyncGenerator<Uint8Array> {
    const underWay: Promise<Uint8Array>[] = [];
    // What was taken goes back to be written into again: the collector would come round too late.
    const taken: Uint8Array[] = [];
    const begin = (n: number): void => {
      const [window, thread, prepared] = [windows[n], this.#threads[n % THREADS], this.#prepared[n % THREADS]];
      if (!window || !thread || !prepared) return;
      const spare = taken.length > KEPT_BY_CALLER ? taken.shift() : undefined;
      // The caller may have handed it on to others.
      const isThere = spare !== undefined && spare.byteLength > 0;
      const strip = prepared.then(() =>
        thread.ask((desk) =>
          isThere ? desk.paint(window, transfer(spare, [spare.buffer as ArrayBuffer])) : desk.paint(window),
        ),
      );
      // Told when its turn comes.
      strip.catch(() => undefined);
      underWay.push(strip);
    };
    for (let n = 0; n < THREADS; n += 1) begin(n);
    for (let n = 0; n < windows.length; n += 1) {
      const strip = (await underWay.shift()) as Uint8Array;
      begin(n + THREADS);
      progress((n + 1) / windows.length);
      yield strip;
      taken.push(strip);
    }
  }

  async close(): Promise<void> {
    await Promise.all(this.#threads.map((thread) => thread.end()));
  }
}

/** Paints a page on threads. */
export function pageThreads({ design, motifs, blobs, order }: PaintingOrder): StripPainter {
  const all: PaintingOrder = { design, motifs, blobs, order };
  return new ThreadPainter(new URL('./startStrips.mjs', import.meta.url), all);
}
