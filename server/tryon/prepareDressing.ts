import type { CanvasBackend } from '../../core/paint/index.ts';
import {
  densityOn,
  fillOf,
  paintTile,
  type PatternPyramid,
  prepareStage,
  sceneSize,
  sourceKey,
  tileDensity,
} from '../../core/tryon/index.ts';
import { backendFor, loadScene } from '../paint/loadScene.ts';
import { Blobs } from '../store/blobs.ts';
import type { PictureWish, TryOnTask } from './tryOnTask.ts';

/** The product is first looked at so large, to find out how finely its patterns are seen. */
const LOOK = 400;

/** What says all about the pixels of a try-on's picture. */
export interface DressingOrder extends Pick<TryOnTask, 'tryOn' | 'product' | 'drawing' | 'blobs'> {
  readonly side: number;
  /** Its patterns by their sources, painted. */
  readonly pyramids: ReadonlyMap<string, PatternPyramid>;
}

/** Paints the patterns of a try-on, each as fine as the picture shows it anywhere. Their pixels are shared among the threads that the order is given to. */
export async function prepareDressing(task: Omit<TryOnTask<PictureWish>, 'file'>): Promise<DressingOrder> {
  const { tryOn, product, drawing, patterns, wish } = task;
  const blobs = new Blobs(task.blobs);
  const finest = finestSeen(
    task,
    await backendFor(
      drawing.outlines.map(({ artwork }) => artwork),
      blobs,
    ),
  );
  const pyramids = new Map<string, PatternPyramid>();
  for (const { key, design, motifs } of patterns) {
    const { scene, backend } = await loadScene(design, motifs, blobs);
    const density = tileDensity(design.repeat, finest.get(key) ?? 0);
    pyramids.set(key, shared(paintTile(scene, design.repeat, density, backend)));
  }
  return { tryOn, product, drawing, blobs: task.blobs, side: wish.side, pyramids };
}

/** The most pixels of the picture to a mm of each pattern. */
function finestSeen(
  { tryOn, product, drawing, wish }: Omit<TryOnTask<PictureWish>, 'file'>,
  backend: CanvasBackend,
): Map<string, number> {
  const look = sceneSize(product, LOOK);
  const { scale } = sceneSize(product, wish.side);
  const window = { left: 0, top: 0, right: look.width, bottom: look.height };
  // Only its outlines are looked at.
  const empty = { ...drawing.over, nodes: [] };
  const stage = prepareStage(
    product,
    { ...drawing, under: empty, light: empty, over: empty },
    window,
    look.scale,
    backend,
  );
  const finest = new Map<string, number>();
  for (const { id } of product.pieces) {
    const fill = fillOf(tryOn, id);
    const key = sourceKey(fill.source);
    // A pattern that is printed larger is seen in more pixels to its mm.
    const wished = (densityOn(stage, id) * scale * fill.scale) / look.scale;
    finest.set(key, Math.max(wished, finest.get(key) ?? 0));
  }
  return finest;
}

function shared({ grid, levels }: PatternPyramid): PatternPyramid {
  return {
    grid,
    levels: levels.map((level) => {
      const data = new Uint16Array(new SharedArrayBuffer(level.data.byteLength));
      data.set(level.data);
      return { ...level, data };
    }),
  };
}
