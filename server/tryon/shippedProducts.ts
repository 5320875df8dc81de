import { readdirSync, readFileSync } from 'node:fs';
import type { Product } from '../../core/tryon/index.ts';
import { productSchema } from '../../core/tryon/index.ts';

const FOLDER = new URL('../../products/', import.meta.url);
const INFO = '.json';

let products: ReadonlyMap<string, Product> | undefined;

/** The products that ship, by their ids, in the order of their file names. */
export function shippedProducts(): ReadonlyMap<string, Product> {
  products ??= new Map(
    readdirSync(FOLDER)
      .filter((name) => name.endsWith(INFO))
      .sort()
      .map((name) => {
        const product = productSchema.validateSync(JSON.parse(readFileSync(new URL(name, FOLDER), 'utf8')), {
          strict: true,
        });
        return [product.id, product] as const;
      }),
  );
  return products;
}

/** The SVG of a product that ships. */
export function shippedDrawing(id: string): string {
  return readFileSync(new URL(`${id}.svg`, FOLDER), 'utf8');
}
