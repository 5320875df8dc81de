import { type Product, type ProductDrawing, type Wall, WALL_ID, wallProduct } from '../../core/tryon/index.ts';
import { notFound } from '../problem.ts';
import { readOwnProduct } from '../store/products.ts';
import type { Studio } from '../studio.ts';
import { shippedDrawing, shippedProducts } from './shippedProducts.ts';

/** Drawings of products that ship, each read once while the process lives. */
const drawings = new Map<string, Promise<ProductDrawing>>();

/** A product, without its drawing. @throws Problem 404 */
export async function findProduct({ database }: Pick<Studio, 'database'>, id: string): Promise<Product> {
  if (id === WALL_ID) return wallProduct().product;
  const product = shippedProducts().get(id) ?? (await readOwnProduct(database, id))?.product;
  if (!product) throw notFound('product');
  return product;
}

/** A product with its drawing. @param wall of a wall, how large it is. @throws Problem 404 */
export async function readProduct(
  studio: Studio,
  id: string,
  wall?: Wall,
): Promise<{ readonly product: Product; readonly drawing: ProductDrawing }> {
  if (id === WALL_ID) return wallProduct(wall);
  const product = shippedProducts().get(id);
  if (product) return { product, drawing: await drawingOf(studio, product) };
  const own = await readOwnProduct(studio.database, id);
  if (!own) throw notFound('product');
  const text = (await studio.blobs.read(own.drawing)).toString('utf8');
  return { product: own.product, drawing: JSON.parse(text) as ProductDrawing };
}

function drawingOf({ pool, blobs }: Studio, { id, name, pieces }: Product): Promise<ProductDrawing> {
  let drawing = drawings.get(id);
  if (!drawing) {
    const task = { kind: 'product', name, svg: shippedDrawing(id), pieces: pieces.map((piece) => piece.id) } as const;
    drawing = pool.run({ ...task, blobs: blobs.folder });
    drawings.set(id, drawing);
    drawing.catch(() => drawings.delete(id));
  }
  return drawing;
}
