import type { PDFContext, PDFRef } from 'pdf-lib';
import { type Box, compose, IDENTITY, scalingMatrix, translationMatrix } from '../../core/geometry/index.ts';
import { fadedBounds, type GroupNode } from '../../core/motif/index.ts';
import { fadedShapes } from '../../core/paint/index.ts';
import { nodeBackend, nodeSurface } from '../paint/nodeBackend.ts';
import { PdfContent, pdfNumbers } from './pdfContent.ts';
import { pdfPixels } from './pdfPicture.ts';
import { pngAddress } from './pngAddress.ts';

/** Pixels to one standard deviation of a fading edge: finer would show nothing more. */
const PER_SIGMA = 8;
/** Pixels of a mask along its longer side, at the most. */
const MOST_SIDE = 2400;

/** What a group with a fading edge lets through, 0 to 255, row after row over a box of its own units. */
interface SoftMask {
  readonly box: Box;
  readonly width: number;
  readonly height: number;
  readonly levels: Uint8Array;
}

function softMaskOf(group: GroupNode): SoftMask {
  const { clip = [], softness = 0 } = group;
  const box = fadedBounds(group, IDENTITY) ?? { left: 0, top: 0, right: 1, bottom: 1 };
  const size = { x: box.right - box.left, y: box.bottom - box.top };
  const scale = Math.min(PER_SIGMA / softness, MOST_SIDE / Math.max(size.x, size.y));
  const [width, height] = [Math.max(1, Math.round(size.x * scale)), Math.max(1, Math.round(size.y * scale))];
  const onSheet = compose(scalingMatrix(width / size.x, height / size.y), translationMatrix(-box.left, -box.top));
  const pixels = fadedShapes(clip, onSheet, width, height, softness * scale, nodeBackend()).read();
  const levels = Uint8Array.from({ length: width * height }, (_, n) => pixels[4 * n + 3] as number);
  return { box, width, height, levels };
}

/** The mask of a group with a fading edge, white on black, as a picture that holds all of it. */
export function softMaskAddress(group: GroupNode): string {
  const { width, height, levels } = softMaskOf(group);
  const surface = nodeSurface(width, height);
  const grey = Uint8ClampedArray.from({ length: 4 * width * height }, (_, n) =>
    n % 4 === 3 ? 255 : (levels[n >> 2] as number),
  );
  surface.write(grey, width, 0);
  return pngAddress(surface.canvas.encodeSync('png'));
}

/** The same as a form of a PDF, in the group's units. */
export function softMaskForm(group: GroupNode, context: PDFContext): PDFRef {
  const { box, width, height, levels } = softMaskOf(group);
  const content = new PdfContent(context);
  const picture = content.nameOf('XObject', pdfPixels(context, levels, 'DeviceGray', width, height));
  const { left, top, right, bottom } = box;
  // A picture is a unit square, its first row at the top.
  content.add('q', `${pdfNumbers([right - left, 0, 0, top - bottom, left, bottom])} cm`, `/${picture} Do`, 'Q');
  return content.asForm(box, 'group');
}
