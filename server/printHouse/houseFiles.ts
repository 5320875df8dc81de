import { mkdirSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { number, type InferType } from 'yup';
import type { Immutable } from '../../core/schema/index.ts';
import { writeDurably } from '../store/sync.ts';
import { houseOrderSchema, houseWishSchema } from './houseOrder.ts';

/** An order as the print house keeps it. */
const keptOrderSchema = houseOrderSchema.concat(houseWishSchema).shape({
  /** When it goes on to its next state, ms of the epoch; never by itself where missing. */
  due: number().optional(),
});
export type KeptOrder = Immutable<InferType<typeof keptOrderSchema>>;

/** The pictures of a strike-off: a piece at true size, and the whole width of the cloth. */
export const STRIKE_OFF_VIEWS = ['piece', 'width'] as const;
export type StrikeOffView = (typeof STRIKE_OFF_VIEWS)[number];

/** Uploads that nobody ordered a print of are kept so long, ms. */
const ABANDONED_MS = 7 * 24 * 3600_000;

/** What the print house keeps on its disk. */
export class HouseFiles {
  readonly uploads: string;
  readonly #orders: string;

  constructor(folder: string) {
    this.uploads = join(folder, 'uploads');
    this.#orders = join(folder, 'orders');
    for (const sub of [this.uploads, this.#orders]) mkdirSync(sub, { recursive: true });
    this.#clear();
  }

  /** The order with an id, if there is one. */
  order(id: string): KeptOrder | undefined {
    let json: string;
    try {
      json = readFileSync(join(this.#orders, `${id}.json`), 'utf8');
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
      throw error;
    }
    return keptOrderSchema.validateSync(JSON.parse(json), { strict: true });
  }

  orders(): readonly KeptOrder[] {
    return readdirSync(this.#orders).flatMap((name) =>
      name.endsWith('.json') ? (this.order(name.slice(0, -'.json'.length)) ?? []) : [],
    );
  }

  keep(order: KeptOrder): KeptOrder {
    const path = join(this.#orders, `${order.id}.json`);
    writeDurably(path, `${path}.part`, JSON.stringify(order));
    // What is not printed any more is not needed any more.
    if (['refused', 'dispatched', 'cancelled'].includes(order.state)) this.removeUpload(order.upload);
    return order;
  }

  picturePath(id: string, view: StrikeOffView): string {
    return join(this.#orders, `${id}-${view}.png`);
  }

  uploadPath(id: string): string {
    return join(this.uploads, id);
  }

  removeUpload(id: string): void {
    for (const path of [this.uploadPath(id), `${this.uploadPath(id)}.json`]) rmSync(path, { force: true });
  }

  #clear(): void {
    const ordered = new Set(this.orders().map(({ upload }) => upload));
    for (const name of readdirSync(this.uploads)) {
      const id = name.replace(/\.json$/, '');
      const { mtimeMs } = statSync(join(this.uploads, name));
      if (!ordered.has(id) && Date.now() - mtimeMs > ABANDONED_MS) this.removeUpload(id);
    }
  }
}
