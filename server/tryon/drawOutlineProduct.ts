import { outlineProduct } from '../../core/tryon/index.ts';
import { Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import { readArtwork } from '../store/keptArtwork.ts';
import type { OutlineProductOutcome, OutlineProductTask } from './outlineProductTask.ts';

/** Makes a product of an artwork and keeps its drawing. @throws Problem 422 where no shape of it is closed */
export async function drawOutlineProduct(task: OutlineProductTask): Promise<OutlineProductOutcome> {
  const blobs = new Blobs(task.blobs);
  try {
    const { product, drawing } = outlineProduct(task.id, task.name, await readArtwork(blobs, task.artwork), task.width);
    return { product, drawing: blobs.keep(JSON.stringify(drawing), 'json') };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new Problem(
      422,
      'Nothing to fill',
      `“${task.what}” cannot be a product. ${error.message} Nothing was added.`,
    );
  }
}
