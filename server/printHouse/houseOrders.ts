import { existsSync, statSync } from 'node:fs';
import { nanoid } from 'nanoid';
import { messageOf } from '../../core/problem/index.ts';
import type { PrintCloth, PrintRules } from '../../core/print/index.ts';
import { Problem } from '../problem.ts';
import type { Pool } from '../work/pool.ts';
import type { HouseBehaviour } from '../../core/print/index.ts';
import { checkUpload } from './checkUpload.ts';
import type { HouseFiles, KeptOrder } from './houseFiles.ts';
import type { HouseOrder, HouseWish } from './houseOrder.ts';

/** How long the print house takes, ms. */
export interface HousePace {
  /** From an order to its strike-off. */
  readonly answer: number;
  /** From the approval to the parcel. */
  readonly dispatch: number;
}

/** Takes orders and carries them out, as far as time has come. */
export class HouseOrders {
  behaviour: HouseBehaviour = 'normal';
  #isClosing = false;
  readonly #drawing = new Map<string, Promise<void>>();
  readonly #taking = new Map<string, Promise<KeptOrder>>();

  constructor(
    readonly rules: PrintRules,
    readonly files: HouseFiles,
    readonly pool: Pick<Pool, 'run'>,
    readonly pace: HousePace,
  ) {}

  /** Takes an order; the same reference twice is the same order. @returns undefined where its cloth or upload is not there */
  async take(wish: HouseWish): Promise<HouseOrder | undefined> {
    const { reference } = wish;
    const known = this.files.orders().find((order) => order.reference === reference);
    if (known) return toldOf(known);
    let taking = this.#taking.get(reference);
    if (!taking) {
      const cloth = this.#clothOf(wish.cloth);
      if (!cloth || !existsSync(this.files.uploadPath(wish.upload))) return undefined;
      taking = this.#judge(wish, cloth).finally(() => this.#taking.delete(reference));
      this.#taking.set(reference, taking);
    }
    return toldOf(await taking);
  }

  /** An order as it is by now. */
  look(id: string): HouseOrder | undefined {
    const order = this.files.order(id);
    return order && toldOf(this.#advance(order));
  }

  approve(id: string): HouseOrder | undefined {
    const order = this.files.order(id);
    if (order?.state !== 'answered') return order && toldOf(order);
    return toldOf(this.files.keep({ ...order, state: 'approved', due: Date.now() + this.pace.dispatch }));
  }

  cancel(id: string): HouseOrder | undefined {
    const order = this.files.order(id);
    // What is on its way cannot be called back.
    if (!order || !['printing', 'answered'].includes(order.state)) return order && toldOf(order);
    return toldOf(this.files.keep({ ...order, state: 'cancelled' }));
  }

  /** Begins nothing more and waits for what is being drawn. */
  async close(): Promise<void> {
    this.#isClosing = true;
    await Promise.all(this.#drawing.values());
  }

  async #judge(wish: HouseWish, cloth: PrintCloth): Promise<KeptOrder> {
    const file = this.files.uploadPath(wish.upload);
    const { name } = this.rules;
    const reason =
      this.behaviour === 'refuses'
        ? `${name} has no room for more orders on ${cloth.name.toLowerCase()} this month. Nothing was charged; choose another cloth, or order it again later.`
        : await checkUpload(file, statSync(file).size, wish, this.rules, cloth);
    const total = Math.round(cloth.price * wish.metres);
    const order = { ...wish, id: nanoid(12), message: reason ?? null, price: cloth.price, total };
    return this.files.keep(
      reason === undefined
        ? { ...order, state: 'printing', due: Date.now() + this.pace.answer * (this.behaviour === 'slow' ? 10 : 1) }
        : { ...order, state: 'refused' },
    );
  }

  #advance(order: KeptOrder): KeptOrder {
    if (order.due === undefined || Date.now() < order.due) return order;
    if (order.state === 'approved') return this.files.keep({ ...order, state: 'dispatched' });
    // Looked at again and again, it is drawn once.
    if (order.state === 'printing' && !this.#drawing.has(order.id)) {
      const drawn = this.#draw(order).finally(() => this.#drawing.delete(order.id));
      this.#drawing.set(order.id, drawn);
    }
    return order;
  }

  async #draw(order: KeptOrder): Promise<void> {
    const cloth = this.#clothOf(order.cloth);
    try {
      if (!cloth) throw new Error(`the cloth ${order.cloth} is not there any more`);
      await this.pool.run({
        kind: 'strike-off',
        file: this.files.uploadPath(order.upload),
        tile: { width: order.width, height: order.height },
        cloth,
        piece: this.files.picturePath(order.id, 'piece'),
        width: this.files.picturePath(order.id, 'width'),
      });
      // It can have been cancelled meanwhile.
      const now = this.files.order(order.id);
      if (now?.state === 'printing') this.files.keep({ ...now, state: 'answered' });
    } catch (error) {
      // It is drawn when it is looked at again: once there is room, or after the next start.
      if (this.#isClosing || (error instanceof Problem && error.status === 507)) return;
      process.stderr.write(`Print house, order ${order.id}: ${messageOf(error)}\n`);
      const message = `${this.rules.name} could not print this file. Nothing was charged; export it again and order it anew.`;
      this.files.keep({ ...order, state: 'refused', message });
    }
  }

  #clothOf(id: string): PrintCloth | undefined {
    return this.rules.cloths.find((cloth) => cloth.id === id);
  }
}

function toldOf({ id, reference, state, message, price, total }: KeptOrder): HouseOrder {
  return { id, reference, state, message, price, total };
}
