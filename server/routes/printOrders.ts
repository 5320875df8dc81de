import { nanoid } from 'nanoid';
import type { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { checkPrint } from '../../core/print/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { followOrders } from '../print/followOrders.ts';
import { HouseUnreachable } from '../print/houseClient.ts';
import { planPrint, PRINT_JOB, printWork, removePrintFile } from '../print/printWork.ts';
import { notFound, Problem } from '../problem.ts';
import {
  changePrintOrder,
  insertPrintOrder,
  type KeptPrintOrder,
  type PrintChange,
  readPrintOrder,
} from '../store/printOrders.ts';
import { readSwatch } from '../store/swatches.ts';
import { registerPrints } from '../print/registerPrints.ts';
import type { Studio } from '../studio.ts';

/** Swatches on their way to the print house and back. */
export function printOrderRoutes(studio: Studio): Router {
  const { database, house, jobs, printHouse } = studio;
  const router = apiRouter();
  registerPrints(studio);

  /** With how far its file is. */
  async function shown(order: KeptPrintOrder): Promise<contract.PrintOrder> {
    const { job, sha256: _hash, upload: _upload, houseOrder: _order, ...rest } = order;
    const isUnderWay = rest.state === 'making' || rest.state === 'sending';
    return { ...rest, progress: isUnderWay && job !== null ? (await jobs.read(job)).progress : 0 };
  }

  async function start(id: string): Promise<contract.PrintOrder> {
    const { id: job } = await jobs.start(PRINT_JOB, printWork(studio, id), { order: id });
    const order = await changePrintOrder(database, id, contract.PRINT_STATES, { job });
    if (!order) throw notFound('order');
    return shown(order);
  }

  /** Changes an order that is in one of some states. @throws Problem 409 with a sentence where it is in another */
  async function change(
    id: string,
    from: readonly contract.PrintState[],
    next: PrintChange,
    what: string,
  ): Promise<KeptPrintOrder> {
    const order = await changePrintOrder(database, id, from, next);
    if (order) return order;
    await readPrintOrder(database, id);
    throw new Problem(409, 'Too late', `${what} Nothing was changed.`);
  }

  implement(router, contract.readPrintHouse, async () => {
    const { behaviour } = printHouse;
    try {
      return { rules: await house.rules(), behaviour };
    } catch (error) {
      if (!(error instanceof HouseUnreachable)) throw error;
      return { rules: null, behaviour };
    }
  });

  implement(router, contract.tellPrintHouse, ({ body: { behaviour } }) => printHouse.behave(behaviour));

  implement(router, contract.listPrintOrders, async () => {
    const { orders, isReachable } = await followOrders(studio);
    return { orders: await Promise.all(orders.map(shown)), isReachable };
  });

  implement(router, contract.orderPrint, async ({ body }) => {
    const { swatch, version } = await readSwatch(database, body.swatch, body.version);
    const rules = await house.rules();
    const cloth = rules.cloths.find(({ id }) => id === body.cloth);
    if (!cloth) throw notFound('cloth at the print house');
    const { metres, format, dpi } = body;
    const order = { swatch: swatch.id, version: version.number, metres, format, dpi, cloth };
    const { tile } = await planPrint(studio, order);
    const [refusal] = checkPrint({ format, dpi, tile, metres }, rules, cloth).filter(
      ({ grade }) => grade === 'refusal',
    );
    if (refusal) throw new Problem(422, 'Cannot be printed', `${refusal.text} Nothing was sent.`);
    const id = nanoid(12);
    await insertPrintOrder(database, { ...order, id, name: swatch.name, thumbnail: version.thumbnail });
    return start(id);
  });

  implement(router, contract.resumePrint, async ({ params: { id } }) => {
    await change(id, ['interrupted'], { state: 'making', message: null }, 'This order is not interrupted.');
    return start(id);
  });

  implement(router, contract.approvePrint, async ({ params: { id } }) => {
    const { houseOrder, state } = await readPrintOrder(database, id);
    if (state !== 'answered' || houseOrder === null)
      throw new Problem(409, 'Too early', 'There is no strike-off of this order to approve. Nothing was changed.');
    await house.approve(houseOrder);
    return shown(await change(id, ['answered'], { state: 'approved' }, 'This order has gone on meanwhile.'));
  });

  implement(router, contract.cancelPrint, async ({ params: { id } }) => {
    const { houseOrder, job } = await readPrintOrder(database, id);
    if (houseOrder !== null && (await house.cancel(houseOrder)).state !== 'cancelled')
      throw new Problem(409, 'Too late', 'This order is being printed and can no longer be cancelled.');
    const order = await change(
      id,
      ['making', 'sending', 'interrupted', 'sent', 'answered'],
      { state: 'cancelled', message: null },
      'This order can no longer be cancelled.',
    );
    if (job !== null) await jobs.stop(job);
    removePrintFile(studio, id);
    return shown(order);
  });

  return router;
}
