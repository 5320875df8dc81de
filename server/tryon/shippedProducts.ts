import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { messageOf } from '../../core/problem/index.ts';
import { type Product, productSchema } from '../../core/tryon/index.ts';

const FOLDER = new URL('../../products/', import.meta.url);
const INFO = '.json';

let products: ReadonlyMap<string, Product> | undefined;

/** The products that ship, by their ids, in the order of their file names. */
export function shippedProducts(): ReadonlyMap<string, Product> {
  products ??= readProducts(FOLDER, (line) => process.stderr.write(`${line}\n`));
  return products;
}

/** The SVG of a product that ships. */
export function shippedDrawing(id: string): string {
  return readFileSync(new URL(`${id}.svg`, FOLDER), 'utf8');
}

/** Reads the products of a folder; one that is not as it has to be is left out, which is said in a sentence. */
export function readProducts(folder: URL, say: (line: string) => void): Map<string, Product> {
  const found = new Map<string, Product>();
  for (const name of readdirSync(folder)
    .filter((entry) => entry.endsWith(INFO))
    .sort()) {
    try {
      const product = productSchema.validateSync(JSON.parse(readFileSync(new URL(name, folder), 'utf8')), {
        strict: true,
      });
      if (`${product.id}${INFO}` !== name) throw new Error(`its id is “${product.id}”, and has to be the file's name`);
      if (!existsSync(new URL(`${product.id}.svg`, folder)))
        throw new Error('there is no drawing of the same name beside it');
      found.set(product.id, product);
    } catch (error) {
      say(`The product ${name} is left out: ${messageOf(error)}.`);
    }
  }
  return found;
}
