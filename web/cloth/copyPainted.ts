import type { PaintedCloth, PaintedFill } from './compositor.ts';

/** A cloth that was painted, with images of its own: the other's are closed when it is painted anew. */
export function copyPainted({ below, above, order }: PaintedCloth): PaintedCloth {
  return { below: copyFill(below), above: above && copyFill(above), order };
}

function copyFill(fill: PaintedFill): PaintedFill {
  const { width, height } = fill.image;
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')?.drawImage(fill.image, 0, 0);
  return { ...fill, image: canvas.transferToImageBitmap() };
}
