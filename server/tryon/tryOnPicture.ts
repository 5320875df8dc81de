import { createHash } from 'node:crypto';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { LRUCache } from 'lru-cache';
import { nanoid } from 'nanoid';
import { newTryOn } from '../../core/tryon/index.ts';
import type { Studio } from '../studio.ts';
import { readProduct } from './findProduct.ts';
import type { TryOnTask } from './tryOnTask.ts';
import { tryOnTask } from './tryOnWork.ts';

/** Longer side in pixels of the picture that stands for a try-on, and for a product. */
const [SIDE, PRODUCT_SIDE] = [640, 320];

/** Pictures by all that they show. */
const pictures = new LRUCache<string, Promise<Buffer>>({ max: 300 });

/** A small picture of a try-on as it is now, WebP. @throws Problem 404 */
export async function tryOnPicture(studio: Studio, id: string): Promise<Buffer> {
  const task = await tryOnTask(studio, id, { format: 'webp', side: SIDE });
  const shown = task.patterns.map(({ key, state }) => `${key} ${state}`);
  return paintedOnce([task.product, task.drawing, task.tryOn, shown], studio, task);
}

/** A small picture of a product in white cloth, WebP. @throws Problem 404 */
export async function productPicture(studio: Studio, id: string): Promise<Buffer> {
  const { product, drawing } = await readProduct(studio, id);
  const tryOn = newTryOn(product.name, product, { design: 'none' });
  const parts = { tryOn, product, drawing, patterns: [], blobs: studio.blobs.folder };
  const wish = { format: 'webp', side: PRODUCT_SIDE } as const;
  return paintedOnce([product, drawing], studio, { kind: 'try-on', ...parts, wish });
}

function paintedOnce(shown: readonly unknown[], studio: Studio, task: Omit<TryOnTask, 'file'>): Promise<Buffer> {
  const key = createHash('sha256')
    .update(JSON.stringify([studio.blobs.folder, ...shown]))
    .digest('base64url');
  let picture = pictures.get(key);
  if (!picture) {
    picture = painted(studio, task);
    pictures.set(key, picture);
    picture.catch(() => pictures.delete(key));
  }
  return picture;
}

async function painted({ pool, exports }: Studio, task: Omit<TryOnTask, 'file'>): Promise<Buffer> {
  const file = join(exports, `${nanoid()}.webp`);
  try {
    await pool.run({ ...task, file });
    return readFileSync(file);
  } finally {
    rmSync(file, { force: true });
  }
}
