import { type CanvasBackend, type OffscreenSurface, type Picture, pictureOf } from '../../core/paint/index.ts';

/** A sheet of the browser. */
export interface BrowserSurface extends OffscreenSurface {
  readonly canvas: OffscreenCanvas;
  readonly context: OffscreenCanvasRenderingContext2D;
}

export function browserSurface(width: number, height: number): BrowserSurface {
  const canvas = new OffscreenCanvas(width, height);
  // Keeps the canvas in memory and off the graphics card, whose antialiasing differs from the server's: what is seen is what is printed.
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('this browser gives no 2D canvas');
  return {
    canvas,
    context,
    pixels: canvas,
    resize(w, h) {
      canvas.width = w;
      canvas.height = h;
    },
    write(data, w, top) {
      context.putImageData(new ImageData(data as Uint8ClampedArray<ArrayBuffer>, w), 0, top);
    },
    read: () => context.getImageData(0, 0, canvas.width, canvas.height).data,
  };
}

/** Decodes an encoded picture into all its sizes. */
export async function browserPicture(encoded: Blob): Promise<Picture> {
  // Kept as it was drawn: a colour profile would be applied by one engine and not by the other.
  const bitmap = await createImageBitmap(encoded, { colorSpaceConversion: 'none' });
  const { width, height } = bitmap;
  const { context } = browserSurface(width, height);
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return pictureOf(context.getImageData(0, 0, width, height).data, width, height, (data, w, h) => {
    const sheet = browserSurface(w, h);
    sheet.context.putImageData(new ImageData(data as Uint8ClampedArray<ArrayBuffer>, w, h), 0, 0);
    return sheet.canvas;
  });
}

/** The painter's backend in the browser, on the page and in its workers. */
export function browserBackend(pictures: ReadonlyMap<string, Picture>): CanvasBackend {
  return {
    createSurface: browserSurface,
    createPath: () => new Path2D(),
    setPaint(surface, part, paint) {
      (surface as unknown as OffscreenCanvasRenderingContext2D)[part] = paint;
    },
    drawPixels(surface, pixels, to) {
      (surface as unknown as OffscreenCanvasRenderingContext2D).drawImage(
        pixels as CanvasImageSource,
        to.x,
        to.y,
        to.width,
        to.height,
      );
    },
    picture: ({ blob }) => pictures.get(blob),
  };
}
