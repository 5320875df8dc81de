import sharp from 'sharp';
import { type ExportOrder, isTiling, RASTER_FORMATS } from '../../core/export/index.ts';
import { type Box, shiftBox } from '../../core/geometry/index.ts';
import { paintPlane } from '../../core/paint/index.ts';
import { deepGround, deepRows } from './deepPixels.ts';
import { nodeSurface, pixelsOf } from './nodeBackend.ts';
import type { PagePainting } from './pagePainting.ts';

/** What came of holding a finished file against the plane. */
export interface Proof {
  /** How many pixels of the file were compared. */
  readonly pixels: number;
  /** The largest difference of a channel, 0 to 255. */
  readonly largest: number;
  /** The mean of all of them. */
  readonly mean: number;
  /** Whether files laid beside and below each other were held against the plane, or the file's edges alone. */
  readonly tiled: boolean;
}

/** How far from each edge is looked, pixels. */
const DEPTH = 8;
/** Rows of the plane painted at a time. */
const ROWS = 1024;
/** A lossy format may differ so much in the mean. */
const LOSSY_MEAN = 4;

/** A part of the file, and where it comes to lie on the plane when copies of the file are laid side by side. */
interface Strip {
  /** In pixels of the file. */
  readonly at: Box;
  readonly plane: Box;
}

/**
 * Decodes a finished file again, lays it beside and below itself, and compares what lies along the joins with the plane,
 * painted there anew.
 *
 * @throws Error where they differ
 */
export async function proveFile(file: string, painting: PagePainting, order: ExportOrder): Promise<Proof> {
  const tiled = isTiling(order.extent);
  const { channels, depth } = painting;
  const unit = depth === 16 ? 257 : 1;
  let [pixels, largest, sum] = [0, 0, 0];
  for (const { at, plane } of stripsOf(painting, tiled)) {
    const [width, height] = [at.right - at.left, at.bottom - at.top];
    const part = sharp(file, { limitInputPixels: false, sequentialRead: true, ignoreIcc: true }).extract({
      left: at.left,
      top: at.top,
      width,
      height,
    });
    const found = await (
      depth === 16 ? part.toColourspace('rgb16').raw({ depth: 'ushort' }) : part.raw({ depth: 'uchar' })
    ).toBuffer({ resolveWithObject: true });
    const values = depth === 16 ? new Uint16Array(new Uint8Array(found.data).buffer) : found.data;
    if (found.info.width !== width || found.info.height !== height)
      throw new Error(`${file} is not as large as it should be`);
    for (let top = plane.top; top < plane.bottom; top += ROWS) {
      const window = { ...plane, top, bottom: Math.min(plane.bottom, top + ROWS) };
      const wanted = planePixels(painting, window);
      const from = (top - plane.top) * width * found.info.channels;
      for (let i = 0, o = from; i < wanted.length; i += 4, o += found.info.channels) {
        for (let channel = 0; channel < channels; channel += 1) {
          // A picture without alpha is opaque.
          const value = channel < found.info.channels ? (values[o + channel] as number) : 255 * unit;
          const difference = Math.abs(value - (wanted[i + channel] as number)) / unit;
          sum += difference;
          if (difference > largest) largest = difference;
        }
      }
      pixels += width * (window.bottom - window.top);
    }
  }
  const mean = sum / (pixels * channels);
  const held = RASTER_FORMATS[order.format].exact ? largest === 0 : mean <= LOSSY_MEAN;
  if (!held)
    throw new Error(
      `${file} differs from the plane by up to ${largest}, ${mean.toFixed(3)} in the mean, of ${pixels} pixels`,
    );
  return { pixels, largest, mean, tiled };
}

function stripsOf({ plan }: PagePainting, tiled: boolean): Strip[] {
  const { page, painted, trim } = plan;
  const [width, height] = [trim.right, trim.bottom];
  const along = (box: Box): Box[] => {
    const depth = Math.min(DEPTH, box.right - box.left, box.bottom - box.top);
    return [
      { ...box, right: box.left + depth },
      { ...box, left: box.right - depth },
      { ...box, bottom: box.top + depth },
      { ...box, top: box.bottom - depth },
    ];
  };
  const strip = (part: Box, by = { x: 0, y: 0 }): Strip => ({
    at: shiftBox(part, { x: -page.left, y: -page.top }),
    plane: shiftBox(part, by),
  });
  const [left, right, top, bottom] = along(trim) as [Box, Box, Box, Box];
  const strips = tiled
    ? [strip(left, { x: width, y: 0 }), strip(right), strip(top, { x: 0, y: height }), strip(bottom)]
    : [left, right, top, bottom].map((part) => strip(part));
  return painted.left === trim.left ? strips : [...strips, ...along(painted).map((part) => strip(part))];
}

/** RGBA of a window of the plane as the file should have it. */
function planePixels({ scene, backend, depth, plan: { grid } }: PagePainting, window: Box): ArrayLike<number> {
  const surface = nodeSurface(window.right - window.left, window.bottom - window.top);
  const ground = depth === 16 ? deepGround(scene, grid) : undefined;
  paintPlane(surface.context, { scene, grid, window }, backend, { bare: ground !== undefined, exact: true });
  const pixels = pixelsOf(surface);
  surface.resize(1, 1);
  if (depth === 8) return pixels;
  const deep = new Uint16Array(pixels.length);
  const width = window.right - window.left;
  deepRows(pixels, window, 4, ground, (y, row) => {
    for (let n = 0; n < 4 * width; n += 1)
      deep[4 * (y - window.top) * width + n] = ((row[2 * n] as number) << 8) | (row[2 * n + 1] as number);
  });
  return deep;
}

/** What was found, for people and for the file: ASCII letters only. */
export function proofText({ pixels, largest, mean, tiled }: Proof): string {
  const where = tiled ? 'along its joins with copies of itself' : 'along its edges';
  const found = largest === 0 ? 'all of them equal' : `largest difference ${largest} of 255, mean ${mean.toFixed(2)}`;
  return `Compared with the pattern at ${pixels} pixels ${where}: ${found}.`;
}
