import { readFileSync, rmSync } from 'node:fs';
import { newTryOn } from '../../core/tryon/index.ts';
import { MadeOnce } from '../paint/madeOnce.ts';
import { newDraft } from '../store/drafts.ts';
import type { Studio } from '../studio.ts';
import { readProduct } from './findProduct.ts';
import type { TryOnTask } from './tryOnTask.ts';
import { tryOnTask } from './tryOnWork.ts';

/** Longer side in pixels of the picture that stands for a try-on, and for a product. */
const [SIDE, PRODUCT_SIDE] = [640, 320];

/** Pictures by all that they show. */
const pictures = new MadeOnce<Buffer>(300);

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
  return pictures.get([studio.blobs.folder, ...shown], () => painted(studio, task));
}

async function painted({ pool, folder }: Studio, task: Omit<TryOnTask, 'file'>): Promise<Buffer> {
  const file = `${newDraft(folder.drafts)}.webp`;
  try {
    await pool.run({ ...task, file });
    return readFileSync(file);
  } finally {
    rmSync(file, { force: true });
  }
}
