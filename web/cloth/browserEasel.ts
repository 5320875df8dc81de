import { pictureOf, type Picture } from '../../core/paint/picture.ts';
import type { CanvasBackend, OffscreenSurface, Canvas2D } from '../../core/paint/surface.ts';

/** A sheet of the browser. */
export interface BrowserSheet extends OffscreenSurface {
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
    surface: context as unknown as Canvas2D,
    resize(w, h) {
      canvas.width = w;
      canvas.height = h;
    },
  };
}

/** Decodes an encoded picture into all its sizes. */
export async function browserPicture(encoded: Blob): Promise<Picture> {
  // Kept as it was drawn: a colour profile would be applied by one engine and not by the other.
  const bitmap = await createImageBitmap(encoded, { colorSpaceConversion: 'none' });
  const { width, height } = bitmap;
  const { context } = browserSheet(width, height);
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return pictureOf(context.getImageData(0, 0, width, height).data, width, height, (data, w, h) => {
    const sheet = browserSheet(w, h);
    sheet.context.putImageData(new ImageData(data as Uint8ClampedArray<ArrayBuffer>, w, h), 0, 0);
    return sheet.canvas;
  });
}

/** The painter's easel in the browser, on the page and in its workers. */
export function browserEasel(pictures: ReadonlyMap<string, Picture>): CanvasBackend {
  return {
    sheet: browserSheet,
    path: () => new Path2D(),
    paintWith(surface, part, paint) {
      (surface as unknown as OffscreenCanvasRenderingContext2D)[part] = paint as string;
    },
    lay(surface, pixels, to) {
      (surface as unknown as OffscreenCanvasRenderingContext2D).drawImage(
        pixels as CanvasImageSource,
        to.x,
        to.y,
        to.width,
        to.height,
      );
    },
    picture: (blob) => pictures.get(blob),
  };
}
