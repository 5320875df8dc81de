import { type Matrix, compose, largestStretch, scalingMatrix, translationMatrix } from '../geometry/index.ts';
import { type ClipShape, GAUSSIAN_REACH, tracePath } from '../motif/index.ts';
import { blurPlane } from './blurPlane.ts';
import type { Canvas2D, CanvasBackend, OffscreenSurface } from './canvasBackend.ts';
import { through } from './through.ts';

/** The shapes that are kept, and the standard deviation of the Gaussian that their edges fade by, in their own units. */
interface Mask {
  readonly shapes: readonly ClipShape[];
  readonly softness: number;
}

/** A mask that fades over more pixels than this is made smaller and laid down larger: nobody sees the difference. */
const MOST_SIGMA = 12;
/** Fades narrower than this share of a pixel are hard edges. */
const LEAST_SIGMA = 0.25;

/**
 * Keeps of a layer what shapes cover. They are filled and not clipped to, since the engines smooth a clip's edge differently.
 *
 * @param matrix from the shapes' units to pixels of the layer
 * @param size of the layer, pixels
 */
export function cutLayer(
  layer: Canvas2D,
  mask: Mask,
  matrix: Matrix,
  size: readonly [number, number],
  backend: CanvasBackend,
): void {
  const sigma = mask.softness * largestStretch(matrix);
  layer.globalCompositeOperation = 'destination-in';
  if (sigma < LEAST_SIGMA) fillShapes(layer, mask.shapes, matrix, backend);
  else {
    const shrink = Math.max(1, sigma / MOST_SIGMA);
    const border = Math.ceil((GAUSSIAN_REACH * sigma) / shrink);
    const [width, height] = size.map((pixels) => Math.ceil(pixels / shrink) + 2 * border) as [number, number];
    const onSheet = compose(translationMatrix(border, border), compose(scalingMatrix(1 / shrink, 1 / shrink), matrix));
    const sheet = fadedShapes(mask.shapes, onSheet, width, height, sigma / shrink, backend);
    layer.setTransform(1, 0, 0, 1, 0, 0);
    layer.imageSmoothingEnabled = true;
    const [x, y] = [-border * shrink, -border * shrink];
    backend.drawPixels(layer, sheet.pixels, { x, y, width: width * shrink, height: height * shrink });
  }
  layer.globalCompositeOperation = 'source-over';
}

/** Shapes in black, whose edges fade by a Gaussian of so many pixels. */
export function fadedShapes(
  shapes: readonly ClipShape[],
  matrix: Matrix,
  width: number,
  height: number,
  sigma: number,
  backend: CanvasBackend,
): OffscreenSurface {
  const sheet = backend.createSurface(1, 1);
  sheet.resize(width, height);
  fillShapes(sheet.context, shapes, matrix, backend);
  const pixels = sheet.read();
  const blurred = blurPlane(
    Float32Array.from({ length: width * height }, (_, n) => pixels[4 * n + 3] as number),
    width,
    height,
    sigma,
  );
  const faded = new Uint8ClampedArray(pixels.length);
  blurred.forEach((alpha, n) => (faded[4 * n + 3] = alpha));
  sheet.write(faded, width, 0);
  return sheet;
}

function fillShapes(surface: Canvas2D, shapes: readonly ClipShape[], matrix: Matrix, backend: CanvasBackend): void {
  const path = backend.createPath();
  for (const shape of shapes) tracePath(shape.path, through(shape.matrix, path));
  surface.setTransform(...matrix);
  backend.setPaint(surface, 'fillStyle', '#000000');
  surface.fill(path, shapes.length === 1 && shapes[0]?.rule === 'evenodd' ? 'evenodd' : 'nonzero');
}
