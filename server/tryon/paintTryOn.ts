import { availableParallelism } from 'node:os';
import sharp from 'sharp';
import type { Box } from '../../core/geometry/index.ts';
import { sceneSize } from '../../core/tryon/index.ts';
import { type StripPainter, ThreadPainter } from '../paint/stripPainter.ts';
import type { TaskContext } from '../work/tasks.ts';
import { dressedStrips } from './dressedStrips.ts';
import { type DressingOrder, prepareDressing } from './prepareDressing.ts';
import type { PictureWish, TryOnOutcome, TryOnTask } from './tryOnTask.ts';

/** Pixels of the picture that are dressed at a time. */
export const AT_A_TIME = 2e6;
/** Less is dressed before threads begin, pixels. */
const WORTH_THREADS = 4e6;

/** Paints a try-on into a file, part by part. */
export async function paintTryOn(task: TryOnTask<PictureWish>, { progress }: TaskContext): Promise<TryOnOutcome> {
  const { product, wish, file } = task;
  const { side, format } = wish;
  const { width, height } = sceneSize(product, side);
  const pixels = Buffer.alloc(width * height * 4);
  const rows = Math.max(1, Math.floor(AT_A_TIME / width));
  const windows: Box[] = [];
  for (let top = 0; top < height; top += rows)
    windows.push({ left: 0, top, right: width, bottom: Math.min(height, top + rows) });
  const painter = painterFor(prepareDressing(task), width * height);
  try {
    let at = 0;
    for await (const strip of painter.strips(windows, (share) => progress(0.9 * share))) {
      pixels.set(strip, at);
      at += strip.length;
    }
  } finally {
    await painter.close();
  }
  const image = sharp(pixels, { raw: { width, height, channels: 4 } })
    .removeAlpha()
    .withIccProfile('srgb');
  await image.toFormat(format, format === 'png' ? { compressionLevel: 6 } : { quality: 92 }).toFile(file);
  return { width, height };
}

function painterFor(order: Promise<DressingOrder>, pixels: number): StripPainter {
  if (pixels >= WORTH_THREADS && availableParallelism() > 1)
    return new ThreadPainter(new URL('./startDressing.mjs', import.meta.url), order);
  return new OwnDressing(order);
}

/** Dresses one window after another on this thread. */
class OwnDressing implements StripPainter {
  constructor(readonly order: Promise<DressingOrder>) {}

  async *strips(windows: readonly Box[], progress: (share: number) => void): AsyncGenerator<Uint8Array> {
    const paint = await dressedStrips(await this.order);
    for (const [n, window] of windows.entries()) {
      yield await paint(window);
      progress((n + 1) / windows.length);
    }
  }

  close(): Promise<void> {
    return Promise.resolve();
  }
}
