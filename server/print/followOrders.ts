import type { PrintState } from '../../contract/index.ts';
import type { HouseOrder } from '../printHouse/houseOrder.ts';
import { Problem } from '../problem.ts';
import { changePrintOrder, type KeptPrintOrder, listPrintOrders } from '../store/printOrders.ts';
import type { Studio } from '../studio.ts';
import { HouseUnreachable } from './houseClient.ts';

/** States that the print house can have ended meanwhile. */
const FOLLOWED: readonly PrintState[] = ['sent', 'answered', 'approved'];

const STATES: Readonly<Record<HouseOrder['state'], PrintState>> = {
  printing: 'sent',
  answered: 'answered',
  refused: 'refused',
  approved: 'approved',
  dispatched: 'dispatched',
  cancelled: 'cancelled',
};

/**
 * Asks the print house what became of the orders that it works on, and keeps that.
 *
 * @returns the orders, the last first, and whether the print house answered
 */
export async function followOrders(
  studio: Studio,
): Promise<{ readonly orders: readonly KeptPrintOrder[]; readonly isReachable: boolean }> {
  const orders = await listPrintOrders(studio.database);
  const followed = orders.filter(({ state, houseOrder }) => houseOrder !== null && FOLLOWED.includes(state));
  let isReachable = true;
  const now = new Map<string, KeptPrintOrder>();
  for (const order of followed) {
    try {
      const changed = await follow(studio, order);
      if (changed) now.set(order.id, changed);
    } catch (error) {
      if (!(error instanceof HouseUnreachable)) throw error;
      // The others would wait for it in vain as well.
      isReachable = false;
      break;
    }
  }
  return { orders: orders.map((order) => now.get(order.id) ?? order), isReachable };
}

async function follow({ database, house, blobs }: Studio, order: KeptPrintOrder): Promise<KeptPrintOrder | undefined> {
  const { id, state } = order;
  const known = order.houseOrder ?? '';
  let told: HouseOrder;
  try {
    told = await house.order(known);
  } catch (error) {
    if (!(error instanceof Problem && error.status === 404)) throw error;
    return changePrintOrder(database, id, [state], { state: 'refused', message: FORGOTTEN });
  }
  const next = STATES[told.state];
  if (next === state) return undefined;
  const pictures = next === 'answered' && {
    piece: blobs.keep(await house.strikeOff(known, 'piece'), 'png'),
    across: blobs.keep(await house.strikeOff(known, 'width'), 'png'),
  };
  return changePrintOrder(database, id, [state], { state: next, message: told.message, ...pictures });
}

const FORGOTTEN = 'The print house does not know this order any more. Nothing was charged; order it again.';
