import type { KeptPhoto, Product } from '../../core/tryon/index.ts';
import { notFound } from '../problem.ts';
import type { Queries } from './database.ts';

/** A product of the studio's own. */
export interface OwnProduct {
  readonly product: Product;
  /** The address of its drawing. */
  readonly drawing: string;
  /** What its faces were marked on; null of one that was drawn. */
  readonly photo: KeptPhoto | null;
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
  const { rows } = await queries.query<OwnProduct>('SELECT product, drawing, photo FROM products WHERE id = $1', [id]);
  return rows[0];
}

export async function insertOwnProduct(
  queries: Queries,
  product: Product,
  drawing: string,
  photo: KeptPhoto | null,
): Promise<void> {
  await queries.query('INSERT INTO products (id, product, drawing, photo) VALUES ($1, $2, $3, $4)', [
    product.id,
    JSON.stringify(product),
    drawing,
    photo && JSON.stringify(photo),
  ]);
}

export async function changeOwnProduct(queries: Queries, id: string, product: Product, drawing: string): Promise<void> {
  await queries.query('UPDATE products SET product = $2, drawing = $3 WHERE id = $1', [
    id,
    JSON.stringify(product),
    drawing,
  ]);
}

/** Deletes a product or restores it; try-ons that are made of it stay. @throws Problem 404 */
export async function removeOwnProduct(queries: Queries, id: string, isDeleted: boolean): Promise<void> {
  const { rows } = await queries.query(
    'UPDATE products SET deleted_at = CASE WHEN $2 THEN now() END WHERE id = $1 RETURNING id',
    [id, isDeleted],
  );
  if (!rows[0]) throw notFound('product of your own');
}
