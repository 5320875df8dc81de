import type { Product } from '../../core/tryon/index.ts';
import type { Queries } from './database.ts';

/** A product of the studio's own, and the address of its drawing. */
export interface OwnProduct {
  readonly product: Product;
  readonly drawing: string;
}

/** The studio's own products, by name. */
export async function listOwnProducts(queries: Queries): Promise<Product[]> {
  const { rows } = await queries.query<{ product: Product }>(
    `SELECT product FROM products WHERE deleted_at IS NULL ORDER BY lower(product->>'name'), id`,
  );
  return rows.map(({ product }) => product);
}

/** Also a deleted one, which try-ons may still be made of; undefined where there was none. */
export async function readOwnProduct(queries: Queries, id: string): Promise<OwnProduct | undefined> {
  const { rows } = await queries.query<OwnProduct>('SELECT product, drawing FROM products WHERE id = $1', [id]);
  return rows[0];
}
