import { createCanvas, ImageData, loadImage, Path2D, type Canvas, type SKRSContext2D } from '@napi-rs/canvas';
import { type CanvasBackend, type OffscreenSurface, type Picture, pictureOf } from '../../core/paint/index.ts';

/** A sheet whose pixels can be read back and encoded. */
export interface NodeSurface extends OffscreenSurface {
  readonly canvas: Canvas;
}

export function nodeSurface(width: number, height: number): NodeSurface {
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  return {
    canvas,
    pixels: canvas,
    context,
    resize(w, h) {
      canvas.width = w;
      canvas.height = h;
    },
    write(data, w, top) {
      context.putImageData(new ImageData(data, w), 0, top);
    },
    read: () => context.getImageData(0, 0, canvas.width, canvas.height).data,
  };
}

/**
 * The painter's backend on the server.
 *
 * @param pictures decoded pictures by content address
 */
export function nodeBackend(pictures: ReadonlyMap<string, Picture> = new Map()): CanvasBackend {
  return {
    createSurface: nodeSurface,
    createPath: () => new Path2D(),
    setPaint(surface, part, paint) {
      (surface as unknown as SKRSContext2D)[part] = paint;
    },
    drawPixels(surface, pixels, to) {
      (surface as unknown as SKRSContext2D).drawImage(pixels as Canvas, to.x, to.y, to.width, to.height);
    },
    picture: ({ blob }) => pictures.get(blob),
  };
}

/** Decodes an encoded picture into all its sizes. */
export async function nodePicture(encoded: Buffer): Promise<Picture> {
  const image = await loadImage(encoded);
  const { width, height } = image;
  const context = createCanvas(width, height).getContext('2d');
  context.drawImage(image, 0, 0);
  return pictureOf(context.getImageData(0, 0, width, height).data, width, height, (data, w, h) => {
    const { canvas } = nodeSurface(w, h);
    canvas.getContext('2d').putImageData(new ImageData(data, w, h), 0, 0);
    return canvas;
  });
}

/** The pixels of a sheet: RGBA, not premultiplied. */
export const pixelsOf = (sheet: NodeSurface): Uint8ClampedArray => sheet.read();
