import { NO_STEPS } from '../../../core/recipe/index.ts';
import {
  copyPixels,
  cutSheet,
  findTilt,
  histogram,
  liftOff,
  type PixelImage,
  proposeLevels,
  rotateQuarters,
  straightenScan,
  traceDrawing,
  trimToDrawing,
} from '../../../core/scan/index.ts';
import { browserSurface } from '../../cloth/browserBackend.ts';
import type { CleanAnswer, CleanOrder, TiltOrder } from './cleanMessages.ts';
import { messageOf } from '../../../core/problem/index.ts';

const port = self as unknown as {
  postMessage(answer: CleanAnswer, transfer: Transferable[]): void;
  onmessage: ((event: MessageEvent<CleanOrder | TiltOrder>) => void) | null;
};

/** The last of each, since a hand changes one step at a time and mostly the later ones. */
let picture: { url: string; pixels: PixelImage } | undefined;
let straight: { key: string; pixels: PixelImage } | undefined;

port.onmessage = ({ data }) => {
  answer(data).catch((error: unknown) => port.postMessage({ id: data.id, failed: messageOf(error) }, []));
};

async function answer(order: CleanOrder | TiltOrder): Promise<void> {
  if (picture?.url !== order.url) picture = { url: order.url, pixels: await fetched(order.url) };
  if ('findTilt' in order) {
    port.postMessage({ id: order.id, tilt: findTilt(rotateQuarters(picture.pixels, order.quarters)) }, []);
    return;
  }
  const began = performance.now();
  const { perMm } = order;
  const steps = order.straightOnly
    ? { ...NO_STEPS, quarters: order.steps.quarters, straighten: order.steps.straighten }
    : order.steps;
  const { quarters, straighten, crop, evenLight } = steps;
  const key = JSON.stringify([order.url, quarters, straighten, crop, evenLight]);
  if (straight?.key !== key) straight = { key, pixels: straightenScan(picture.pixels, perMm, steps) };
  const counts = histogram(straight.pixels);
  const pixels = copyPixels(straight.pixels);
  liftOff(pixels, perMm, steps);
  const drawings = steps.cut ? cutSheet(pixels, perMm, steps.cut).drawings : [];
  const shown = steps.trim && !steps.cut ? trimToDrawing(pixels) : pixels;
  const tracing = steps.trace ? traceDrawing(shown, perMm, steps.trace) : undefined;
  const [image, before] = [imageOf(shown), imageOf(straight.pixels)];
  port.postMessage(
    {
      id: order.id,
      image,
      before,
      histogram: counts,
      proposed: proposeLevels(counts),
      drawings,
      tracing,
      took: performance.now() - began,
    },
    [image, before],
  );
}

async function fetched(url: string): Promise<PixelImage> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`the picture is missing (${response.status})`);
  const bitmap = await createImageBitmap(await response.blob(), { colorSpaceConversion: 'none' });
  const { width, height } = bitmap;
  const { context } = browserSurface(width, height);
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}

function imageOf({ width, height, data }: PixelImage): ImageBitmap {
  const { canvas, context } = browserSurface(width, height);
  context.putImageData(new ImageData(data as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  return canvas.transferToImageBitmap();
}
