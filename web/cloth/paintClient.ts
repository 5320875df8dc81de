import type { PaintOrder, Painted, PaintService, PaintWish } from './paintMessages.ts';
import { TEXTS } from './texts.ts';
import { messageOf } from '../../core/problem/index.ts';

/** A worker that paints, as far as its client is concerned. */
export interface PaintHost {
  readonly service: PaintService;
  /** Called where the worker dies; never where it only fails to paint. */
  onDeath(listener: (why: string) => void): void;
  close(): void;
}

/** An order is given up after this long, should the worker hang over it, ms. */
const PATIENCE_MS = 30_000;
/** A worker that dies is replaced so often in a row before the page says so. */
const MOST_DEATHS = 3;

/**
 * Has the cloth painted off the page, one order at a time. What comes late, for an order that was given up, is dropped;
 * a worker that dies is replaced and asked again.
 */
export class PaintClient {
  readonly #start: () => PaintHost;
  readonly #onPainted: (painted: Painted, order: PaintOrder) => void;
  readonly #onProblem: (problem: string) => void;
  #host: PaintHost;
  #ordered: PaintOrder | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  /** Ids are never used again, so that an answer can be told from any other. */
  #lastId = 0;
  #deaths = 0;

  /**
   * @param start begins a worker
   * @param onPainted what was painted, and the order it answers
   * @param onProblem why nothing was: a sentence
   */
  constructor(
    start: () => PaintHost,
    onPainted: (painted: Painted, order: PaintOrder) => void,
    onProblem: (problem: string) => void,
  ) {
    this.#start = start;
    this.#onPainted = onPainted;
    this.#onProblem = onProblem;
    this.#host = this.#begin();
  }

  /** Whether an order is under way; another is not taken until it has ended. */
  get isBusy(): boolean {
    return this.#ordered !== undefined;
  }

  order(wish: PaintWish): void {
    if (this.#ordered) throw new Error('one order is under way already');
    this.#lastId += 1;
    this.#send({ ...wish, id: this.#lastId });
  }

  close(): void {
    this.#end();
    this.#host.close();
  }

  #begin(): PaintHost {
    const host = this.#start();
    host.onDeath((why) => {
      if (host !== this.#host) return;
      host.close();
      this.#host = this.#begin();
      const order = this.#ordered;
      this.#end();
      this.#deaths += 1;
      if (!order) return;
      if (this.#deaths < MOST_DEATHS) this.#send({ ...order, id: ++this.#lastId });
      else this.#onProblem(TEXTS.theClothCouldNotBe(why));
    });
    return host;
  }

  #send(order: PaintOrder): void {
    this.#ordered = order;
    this.#timer = setTimeout(() => {
      this.#end();
      this.#onProblem(TEXTS.theClothCouldNotBePainted);
    }, PATIENCE_MS);
    this.#host.service.paint(order).then(
      (painted) => {
        if (this.#ordered !== order) {
          painted.below.close();
          painted.above?.close();
          return;
        }
        this.#end();
        this.#deaths = 0;
        this.#onPainted(painted, order);
      },
      (error: unknown) => {
        if (this.#ordered !== order) return;
        this.#end();
        const why = messageOf(error);
        this.#onProblem(TEXTS.theClothCouldNotBe(why));
      },
    );
  }

  #end(): void {
    clearTimeout(this.#timer);
    this.#ordered = undefined;
  }
}
