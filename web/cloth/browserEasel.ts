import type { Easel, Sheet, Surface } from '../../core/paint/surface.ts';

/** A sheet of the browser. */
export interface BrowserSheet extends Sheet {
  readonly canvas: OffscreenCanvas;
  readonly context: OffscreenCanvasRenderingContext2D;
}

export function browserSheet(width: number, height: number): BrowserSheet {
  const canvas = new OffscreenCanvas(width, height);
  // Keeps the canvas in memory and off the graphics card, whose antialiasing differs from the server's: what is seen is what is printed.
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('this browser gives no 2D canvas');
  return {
    canvas,
    context,
    pixels: canvas,
    surface: context as unknown as Surface,
    resize(w, h) {
      canvas.width = w;
      canvas.height = h;
    },
  };
}

/** The painter's easel in the browser, on the page and in its workers. */
export function browserEasel(pictures: ReadonlyMap<string, ImageBitmap>): Easel {
  return {
    sheet: browserSheet,
    path: () => new Path2D(),
    paintWith(surface, part, paint) {
      (surface as unknown as OffscreenCanvasRenderingContext2D)[part] = paint as string;
    },
    lay(surface, pixels, from, to) {
      const context = surface as unknown as OffscreenCanvasRenderingContext2D;
      const image = pixels as CanvasImageSource;
      if (from) context.drawImage(image, from.x, from.y, from.width, from.height, to.x, to.y, to.width, to.height);
      else context.drawImage(image, to.x, to.y, to.width, to.height);
    },
    picture: (blob) => pictures.get(blob),
  };
}
