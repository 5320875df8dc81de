import tracer, { type TracedPath } from 'imagetracerjs';
import { channels, type Hex } from '../colour/index.ts';
import { type Artwork, type PathNode, Pen } from '../motif/index.ts';
import type { Tracing } from '../recipe/index.ts';
import { colourBin, DRAWN_ALPHA, inksIn, isFlat, isWhite, nearest, oklab } from './inksIn.ts';
import { blankPixels, type PixelImage } from './pixelImage.ts';

/** More pixels trace no better, only slower. */
const MOST_PIXELS = 1.5e6;
/** An outline shorter than this is left out at no detail, mm. */
const SHORTEST_MM = 4;
/** Curves leave the pixels' edges by at most this when smoothest, mm. */
const LOOSEST_MM = 0.2;
const NONE = -1;
const UNKNOWN = -2;
type Lab = readonly [number, number, number];
const WHITE: Lab = [1, 0, 0];
/** An edge's mixture is at most so many pixels from what it is mixed of. */
const REACH = 2;

/**
 * Traces a cleaned picture into one path for each ink, largest ink first; its unit is the picture's pixel. Nothing is
 * drawn where the picture is see-through.
 *
 * @param perMm pixels to a millimetre, so that a smaller picture of the same sheet is traced alike
 * @returns undefined where there is nothing to trace
 */
export function traceDrawing(
  picture: PixelImage,
  perMm: number,
  { inks, smoothness, detail }: Tracing,
): Artwork | undefined {
  const by = Math.max(1, Math.ceil(Math.sqrt((picture.width * picture.height) / MOST_PIXELS)));
  const pixels = by === 1 ? picture : downscale(picture, by);
  const palette = inksIn(pixels, inks);
  const indexed = { array: indexedByInk(pixels, palette) };
  const nodes = palette.flatMap((ink, k): PathNode[] => {
    const scanned = tracer.pathscan(
      tracer.layeringstep(indexed, k),
      Math.max(5, Math.round(((1 - detail) * SHORTEST_MM * perMm) / by)),
    );
    const between = tracer.internodes(scanned, { rightangleenhance: smoothness < 0.5 });
    const tolerance = 0.1 + (smoothness * LOOSEST_MM * perMm) / by;
    const path = pathOf(tracer.batchtracepaths(between, tolerance, tolerance), by);
    if (!path) return [];
    const paint = { kind: 'ink', ink, opacity: 1 } as const;
    // A pixel's width of the same ink closes the hairlines between inks whose curves were each smoothed alone.
    const seam =
      palette.length > 1
        ? {
            stroke: {
              paint,
              width: by * 0.8,
              cap: 'round',
              join: 'round',
              miterLimit: 4,
              dash: [],
              dashOffset: 0,
            } as const,
          }
        : {};
    return [{ kind: 'path', path, rule: 'evenodd', fill: paint, ...seam }];
  });
  return nodes.length === 0
    ? undefined
    : { version: 1, view: { x: 0, y: 0, width: picture.width, height: picture.height }, nodes };
}

/**
 * Rows of ink numbers with a border one place wide, as the tracer wants them. White stays open where no ink is white.
 *
 * What is flat has its own ink. The rest is mixed at an edge, and a mixture of two inks can look like a third: it goes to
 * the nearest of those that are flat close by.
 */
function indexedByInk(pixels: PixelImage, palette: readonly Hex[]): Int8Array[] {
  const { width, height, data } = pixels;
  const labs: Lab[] = palette.map((hex) => oklab(...channels(hex)));
  const open = labs.some(isWhite) ? [] : [WHITE];
  const all = [...labs, ...open];
  const int8Array = new Int8Array(32768).fill(UNKNOWN);
  const labOf = (bin: number): Lab =>
    oklab(((bin >> 10) << 3) + 4, (((bin >> 5) & 31) << 3) + 4, ((bin & 31) << 3) + 4);
  const inkOf = (bin: number): number => {
    if (int8Array[bin] === UNKNOWN) {
      const lab = labOf(bin);
      int8Array[bin] = open.length > 0 && isWhite(lab) ? labs.length : nearest(labs, lab);
    }
    return int8Array[bin] as number;
  };
  const flat = new Int8Array(width * height).fill(UNKNOWN);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1)
      if (isFlat(pixels, x, y)) flat[y * width + x] = inkOf(colourBin(data, (y * width + x) * 4));
  const rows = Array.from({ length: height + 2 }, () => new Int8Array(width + 2).fill(NONE));
  const near = new Set<number>();
  for (let y = 0; y < height; y += 1) {
    const row = rows[y + 1] as Int8Array;
    for (let x = 0; x < width; x += 1) {
      const at = (y * width + x) * 4;
      if ((data[at + 3] as number) < DRAWN_ALPHA) continue;
      let ink = flat[y * width + x] as number;
      if (ink === UNKNOWN) {
        near.clear();
        for (let v = Math.max(0, y - REACH); v <= Math.min(height - 1, y + REACH); v += 1) {
          for (let u = Math.max(0, x - REACH); u <= Math.min(width - 1, x + REACH); u += 1)
            if (flat[v * width + u] !== UNKNOWN) near.add(flat[v * width + u] as number);
        }
        const candidates = [...near];
        const bin = colourBin(data, at);
        ink =
          candidates.length === 0
            ? inkOf(bin)
            : candidates.length === 1
              ? (candidates[0] as number)
              : (candidates[
                  nearest(
                    candidates.map((one) => all[one] as Lab),
                    labOf(bin),
                  )
                ] as number);
      }
      row[x + 1] = ink < labs.length ? ink : NONE;
    }
  }
  return rows;
}

function pathOf(paths: readonly TracedPath[], by: number): string {
  const pen = new Pen();
  for (const { segments } of paths) {
    const [first] = segments;
    if (!first) continue;
    pen.move(first.x1 * by, first.y1 * by);
    for (const { type, x2, y2, x3, y3 } of segments) {
      if (type === 'Q' && x3 !== undefined && y3 !== undefined) pen.quad(x2 * by, y2 * by, x3 * by, y3 * by);
      else pen.line(x2 * by, y2 * by);
    }
    pen.close();
  }
  return pen.toString();
}

/** The picture with `by` × `by` pixels made one, weighted by opacity. */
export function downscale({ width, height, data }: PixelImage, by: number): PixelImage {
  const to = blankPixels(Math.max(1, Math.ceil(width / by)), Math.max(1, Math.ceil(height / by)));
  for (let y = 0; y < to.height; y += 1) {
    for (let x = 0; x < to.width; x += 1) {
      let [r, g, b, a, n] = [0, 0, 0, 0, 0];
      for (let v = y * by; v < Math.min(height, (y + 1) * by); v += 1) {
        for (let u = x * by; u < Math.min(width, (x + 1) * by); u += 1) {
          const at = (v * width + u) * 4;
          const alpha = data[at + 3] as number;
          r += (data[at] as number) * alpha;
          g += (data[at + 1] as number) * alpha;
          b += (data[at + 2] as number) * alpha;
          a += alpha;
          n += 1;
        }
      }
      const at = (y * to.width + x) * 4;
      if (a > 0) to.data.set([r / a, g / a, b / a, a / n], at);
    }
  }
  return to;
}
