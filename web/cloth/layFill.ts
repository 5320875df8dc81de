import type { Box } from '../../core/geometry/index.ts';
import { type ClothPlan, fillStrips } from '../../core/paint/index.ts';
import type { Viewport } from './viewport.ts';

/** A painted image of the cloth and how it is to be laid. */
export interface Fill {
  readonly image: ImageBitmap | OffscreenCanvas;
  readonly plan: ClothPlan;
  /** Whole screen pixels of the plane that the image shows; of a window plan only. */
  readonly window: Box | undefined;
}

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/**
 * Lays a fill over the whole window. At its own scale everything lies on whole pixels and is copied as it is; at
 * another (while a new one is being painted) it is laid magnified.
 */
export function layFill(context: Context, { image, plan, window }: Fill, viewport: Viewport): void {
  const width = Math.ceil(viewport.width * viewport.density);
  const height = Math.ceil(viewport.height * viewport.density);
  const ratioX = viewport.plan.scaleX / plan.scaleX;
  const ratioY = viewport.plan.scaleY / plan.scaleY;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, width, height);
  context.setTransform(ratioX, 0, 0, ratioY, -viewport.x, -viewport.y);
  context.imageSmoothingEnabled = ratioX !== 1 || ratioY !== 1;
  if (window) {
    context.drawImage(image, window.left, window.top);
    return;
  }
  // Where the window begins and ends, in pixels of the fill.
  const seen = {
    left: Math.floor(viewport.x / ratioX),
    top: Math.floor(viewport.y / ratioY),
    right: Math.ceil((viewport.x + width) / ratioX),
    bottom: Math.ceil((viewport.y + height) / ratioY),
  };
  const pattern = context.createPattern(image, 'repeat') as CanvasPattern;
  context.fillStyle = pattern;
  if (plan.kind === 'far') {
    // The image is a tile of its own, so one fill does.
    context.fillRect(seen.left, seen.top, seen.right - seen.left, seen.bottom - seen.top);
    return;
  }
  // Magnified strips end on broken pixels; each reaches a pixel under the next, so that nothing shines through.
  const lap = context.imageSmoothingEnabled ? 1 : 0;
  for (const strip of fillStrips(plan.grid, seen)) {
    pattern.setTransform(new DOMMatrix([1, 0, 0, 1, seen.left + strip.originX, seen.top + strip.originY]));
    context.fillRect(seen.left + strip.x, seen.top + strip.y, strip.width + lap, strip.height + lap);
  }
}
