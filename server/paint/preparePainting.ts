import { exportPlan } from '../../core/export/index.ts';
import { Blobs } from '../store/blobs.ts';
import type { PaintTask } from './paintTasks.ts';
import { loadScene, onBackdrop } from './loadScene.ts';
import type { PagePainting } from './pagePainting.ts';

/** What says all about a page's pixels. */
export type PaintingOrder = Pick<PaintTask, 'design' | 'motifs' | 'blobs' | 'order'>;

/** All that is needed to paint a page. */
export async function preparePainting({ design, motifs, blobs, order }: PaintingOrder): Promise<PagePainting> {
  const { scene, backend, picturePixels } = await loadScene(design, motifs, new Blobs(blobs));
  const shown = onBackdrop(scene, order.backdrop);
  const plan = exportPlan(design.repeat, order);
  return { scene: shown, backend, picturePixels, plan, channels: shown.ground ? 3 : 4, depth: order.depth ?? 8 };
}
