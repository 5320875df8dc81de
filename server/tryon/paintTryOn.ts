import sharp from 'sharp';
import type { CanvasBackend } from '../../core/paint/index.ts';
import {
  densityOn,
  dress,
  type Dressing,
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
import type { TaskContext } from '../work/tasks.ts';
import type { PictureWish, TryOnOutcome, TryOnTask } from './tryOnTask.ts';

/** Pixels of the picture that are dressed at a time. */
const AT_A_TIME = 4e6;
/** The product is first looked at so large, to find out how finely its patterns are seen. */
const LOOK = 400;

/** Paints a try-on into a file, part by part. */
export async function paintTryOn(task: TryOnTask<PictureWish>, { progress }: TaskContext): Promise<TryOnOutcome> {
  const { tryOn, product, drawing, wish, file } = task;
  const { side, format } = wish;
  const blobs = new Blobs(task.blobs);
  const { width, height, scale } = sceneSize(product, side);
  const outlines = drawing.outlines.map(({ artwork }) => artwork);
  const backend = await backendFor([drawing.under, drawing.light, drawing.over, ...outlines], blobs);
  const patterns = await paintPatterns(task, blobs, scale, backend);
  const dressings = new Map(
    product.pieces.map(({ id }): [string, Dressing] => {
      const fill = fillOf(tryOn, id);
      return [id, { fill, pattern: patterns.get(sourceKey(fill.source)) }];
    }),
  );
  const pixels = Buffer.alloc(width * height * 3);
  const rows = Math.max(1, Math.floor(AT_A_TIME / width));
  for (let top = 0; top < height; top += rows) {
    const window = { left: 0, top, right: width, bottom: Math.min(height, top + rows) };
    const part = dress(prepareStage(product, drawing, window, scale, backend), dressings);
    for (let from = 0, to = top * width * 3; from < part.length; from += 4, to += 3) {
      pixels[to] = part[from] as number;
      pixels[to + 1] = part[from + 1] as number;
      pixels[to + 2] = part[from + 2] as number;
    }
    progress(0.9 * (window.bottom / height));
  }
  const image = sharp(pixels, { raw: { width, height, channels: 3 } }).withIccProfile('srgb');
  await image.toFormat(format, format === 'png' ? { compressionLevel: 6 } : { quality: 92 }).toFile(file);
  return { width, height };
}

/** Every pattern that is used, as fine as the picture shows it anywhere. */
async function paintPatterns(
  task: TryOnTask<PictureWish>,
  blobs: Blobs,
  scale: number,
  stageBackend: CanvasBackend,
): Promise<Map<string, PatternPyramid>> {
  const { tryOn, product } = task;
  const look = sceneSize(product, LOOK);
  const window = { left: 0, top: 0, right: look.width, bottom: look.height };
  // Only its outlines are looked at.
  const empty = { ...task.drawing.over, nodes: [] };
  const bare = { ...task.drawing, under: empty, light: empty, over: empty };
  const stage = prepareStage(product, bare, window, look.scale, stageBackend);
  const finest = new Map<string, number>();
  for (const { id } of product.pieces) {
    const fill = fillOf(tryOn, id);
    const key = sourceKey(fill.source);
    // A pattern that is printed larger is seen in more pixels to its mm.
    const wished = (densityOn(stage, id) * scale * fill.scale) / look.scale;
    finest.set(key, Math.max(wished, finest.get(key) ?? 0));
  }
  const painted = new Map<string, PatternPyramid>();
  for (const { key, design, motifs } of task.patterns) {
    const { scene, backend } = await loadScene(design, motifs, blobs);
    painted.set(key, paintTile(scene, design.repeat, tileDensity(design.repeat, finest.get(key) ?? 0), backend));
  }
  return painted;
}
