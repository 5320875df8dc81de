import type { PrintOrder, PrintState } from '../../contract/index.ts';
import { notFound } from '../problem.ts';
import type { Queries } from './database.ts';

/** What is shown of an order, but for how far its file is. */
type ShownOrder = Omit<PrintOrder, 'progress'>;

/** An order with what is needed to carry it out. */
export interface KeptPrintOrder extends ShownOrder {
  readonly job: string | null;
  readonly sha256: string | null;
  readonly upload: string | null;
  readonly houseOrder: string | null;
}

type OrderRow = Omit<KeptPrintOrder, 'orderedAt'> & { readonly orderedAt: Date };

/** What can change about an order. */
export type PrintChange = Partial<
  Pick<
    KeptPrintOrder,
    'state' | 'message' | 'job' | 'sha256' | 'upload' | 'houseOrder' | 'price' | 'total' | 'piece' | 'across'
  >
>;

const FIELDS = `id, swatch, version, name, thumbnail, cloth, metres, format, dpi, state, message, job, sha256, upload,
  house_order AS "houseOrder", price, total, piece, across, ordered_at AS "orderedAt"`;

/** Keeps a new order. */
export async function insertPrintOrder(
  queries: Queries,
  order: Pick<ShownOrder, 'id' | 'swatch' | 'version' | 'name' | 'thumbnail' | 'cloth' | 'metres' | 'format' | 'dpi'>,
): Promise<void> {
  const { id, swatch, version, name, thumbnail, cloth, metres, format, dpi } = order;
  await queries.query(
    `INSERT INTO print_orders (id, swatch, version, name, thumbnail, cloth, metres, format, dpi, state)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, 'making')`,
    [id, swatch, version, name, thumbnail, JSON.stringify(cloth), metres, format, dpi],
  );
}

/** All orders, the last first. */
export async function listPrintOrders(queries: Queries): Promise<KeptPrintOrder[]> {
  const { rows } = await queries.query<OrderRow>(`SELECT ${FIELDS} FROM print_orders ORDER BY ordered_at DESC, id`);
  return rows.map(orderOf);
}

/** @throws Problem 404 */
export async function readPrintOrder(queries: Queries, id: string): Promise<KeptPrintOrder> {
  const { rows } = await queries.query<OrderRow>(`SELECT ${FIELDS} FROM print_orders WHERE id = $1`, [id]);
  if (!rows[0]) throw notFound('order');
  return orderOf(rows[0]);
}

/**
 * Changes an order that is in one of some states; what is not named stays.
 *
 * @returns the order, or undefined where it is in another state by now
 */
export async function changePrintOrder(
  queries: Queries,
  id: string,
  from: readonly PrintState[],
  change: PrintChange,
): Promise<KeptPrintOrder | undefined> {
  const columns = Object.entries(change).filter(([, value]) => value !== undefined);
  const sets = columns.map(([name], n) => `${name === 'houseOrder' ? 'house_order' : name} = $${n + 3}`);
  const { rows } = await queries.query<OrderRow>(
    `UPDATE print_orders SET ${[...sets, 'changed_at = now()'].join(', ')} WHERE id = $1 AND state = ANY($2) RETURNING ${FIELDS}`,
    [id, from, ...columns.map(([, value]) => value)],
  );
  return rows[0] && orderOf(rows[0]);
}

/** Orders whose sending ended with the server, and will not be started again by itself, can be resumed. @param opened orders that were changed since then are this server's own */
export async function interruptAbandonedPrints(queries: Queries, opened: Date): Promise<void> {
  await queries.query(
    `UPDATE print_orders SET state = 'interrupted', message = 'Hevrel was closed before this was sent. Press Resume.', changed_at = now()
     WHERE state IN ('making', 'sending') AND (job IS NULL OR job NOT IN (SELECT id FROM jobs WHERE state = 'running'))
       AND changed_at < $1`,
    [opened],
  );
}

function orderOf({ orderedAt, ...row }: OrderRow): KeptPrintOrder {
  return { ...row, orderedAt: orderedAt.toISOString() };
}
