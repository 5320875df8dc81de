import { createCanvas, Path2D, type Canvas, type Image, type SKRSContext2D } from '@napi-rs/canvas';
import type { Easel, Sheet, Surface } from '../../core/paint/surface.ts';

/** A sheet whose pixels can be read back and encoded. */
export interface NodeSheet extends Sheet {
  readonly canvas: Canvas;
}

export function nodeSheet(width: number, height: number): NodeSheet {
  const canvas = createCanvas(width, height);
  return {
    canvas,
    pixels: canvas,
    surface: canvas.getContext('2d') as unknown as Surface,
    resize(w, h) {
      canvas.width = w;
      canvas.height = h;
    },
  };
}

/**
 * The painter's easel on the server.
 *
 * @param pictures decoded pictures by content address
 */
export function nodeEasel(pictures: ReadonlyMap<string, Image> = new Map()): Easel {
  return {
    sheet: nodeSheet,
    path: () => new Path2D(),
    paintWith(surface, part, paint) {
      (surface as unknown as SKRSContext2D)[part] = paint as string;
    },
    lay(surface, pixels, from, to) {
      const context = surface as unknown as SKRSContext2D;
      if (from) context.drawImage(pixels as Canvas, from.x, from.y, from.width, from.height, to.x, to.y, to.width, to.height);
      else context.drawImage(pixels as Canvas, to.x, to.y, to.width, to.height);
    },
    picture: (blob) => pictures.get(blob),
  };
}

/** The pixels of a sheet: RGBA, not premultiplied. */
export function pixelsOf({ canvas }: NodeSheet): Uint8ClampedArray {
  return canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height).data;
}
