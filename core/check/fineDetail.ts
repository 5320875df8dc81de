import { channels, type Hex } from '../colour/index.ts';
import type { Placement } from '../document/index.ts';
import { type Box, invert, largestStretch, poseMatrix, squaredDistances } from '../geometry/index.ts';
import { labelComponents } from '../scan/index.ts';
import { MM_PER_INCH } from '../units/index.ts';
import { labelNearest } from './coverage.ts';

/** Printed lines need so many dots to be whole. */
export const LEAST_DOTS = 2;

/** Width of the thinnest line that a density prints, mm. */
export function thinnestLine(dpi: number): number {
  return (LEAST_DOTS * MM_PER_INCH) / dpi;
}

/** What rounding makes of a pure colour, squared and summed over the channels. */
const PURE = 12;
/** What is left of a corner when a round pen is run along its inside is shorter than this share of the pen. */
const CORNER = 1.5;
/** The pen is so much wider than the lines that are looked for: what it leaves of a point that tapers is as wide as itself. */
const WIDER = 4 / 3;

/**
 * The width of the thinnest line in a picture of inks, by morphological opening (Serra, 1982): what a round pen does not reach
 * inside an ink, corners and points left aside.
 *
 * @param labels the ink of each place, row after row; 0 where there is none
 * @param inks how many there are, labelled from 1
 * @param least lines narrower than this are looked for, places; at least 3, so that places can be told from lines
 * @returns places, to within one; undefined where there is no such line
 */
export function thinnestPart(
  labels: Uint8Array,
  width: number,
  height: number,
  inks: number,
  least: number,
): number | undefined {
  const pen = WIDER * least;
  let thinnest: number | undefined;
  for (const [n, box] of boxesOf(labels, width, height, inks).entries()) {
    if (!box) continue;
    const wide = thinnestOfInk(labels, width, n + 1, box, pen);
    if (wide < least) thinnest = Math.min(thinnest ?? Infinity, wide);
  }
  return thinnest;
}

/** Where each ink is, in places: the last row and column are beyond it. */
function boxesOf(labels: Uint8Array, width: number, height: number, inks: number): (Box | undefined)[] {
  const boxes: ({ left: number; top: number; right: number; bottom: number } | undefined)[] = new Array(inks);
  for (let y = 0, n = 0; y < height; y++)
    for (let x = 0; x < width; x++, n++) {
      const label = labels[n] as number;
      if (label === 0) continue;
      const box = (boxes[label - 1] ??= { left: x, top: y, right: x + 1, bottom: y + 1 });
      if (x < box.left) box.left = x;
      if (x >= box.right) box.right = x + 1;
      box.bottom = y + 1;
    }
  return boxes;
}

/** The width of the thinnest line that a pen leaves out of one ink; Infinity where it leaves none. */
function thinnestOfInk(labels: Uint8Array, width: number, ink: number, box: Box, pen: number): number {
  // A margin, so that what touches the edge of the picture ends there.
  const [w, h] = [box.right - box.left + 2, box.bottom - box.top + 2];
  const outside = new Uint8Array(w * h).fill(1);
  for (let y = box.top; y < box.bottom; y++)
    for (let x = box.left; x < box.right; x++)
      if (labels[y * width + x] === ink) outside[(y - box.top + 1) * w + x - box.left + 1] = 0;
  const depth = squaredDistances(outside, w, h);
  const radius = pen / 2;
  const reached = new Uint8Array(w * h);
  for (let n = 0; n < reached.length; n++) reached[n] = (depth[n] as number) >= radius * radius ? 1 : 0;
  const far = squaredDistances(reached, w, h);
  const missed = new Uint8Array(w * h);
  for (let n = 0; n < missed.length; n++)
    missed[n] = outside[n] === 0 && (far[n] as number) > (radius + 0.5) ** 2 ? 1 : 0;
  const { row, from, to, part, boxes } = labelComponents(missed, w, h, true);
  const deepest = new Float64Array(boxes.length);
  for (let run = 0; run < row.length; run++)
    for (let x = from[run] as number; x < (to[run] as number); x++) {
      const own = part[run] as number;
      deepest[own] = Math.max(deepest[own] as number, depth[(row[run] as number) * w + x] as number);
    }
  // From the middle of a line to the first place outside of it, on either side.
  return boxes.reduce(
    (thinnest, { left, top, right, bottom }, n) =>
      Math.max(right - left, bottom - top) < CORNER * pen
        ? thinnest
        : Math.min(thinnest, 2 * Math.sqrt(deepest[n] as number) - 0.5),
    Infinity,
  );
}

/** Not told yet. */
const MIXED = 255;
/** Inks mix along their edges over so many places to each side. */
const REACH = 2;

/**
 * The ink of each place, counted from 1, as `labelNearest`; but where inks are mixed along an edge, one of those that lie
 * there, since a mixture of two is often nearest to a third, which would look like a line of it.
 *
 * @param pixels RGBA, painted without a ground
 * @param drawn alpha from which on a place counts as drawn on
 */
export function labelEdges(
  pixels: Uint8ClampedArray,
  width: number,
  height: number,
  inks: readonly Hex[],
  drawn: number,
): Uint8Array {
  const nearest = labelNearest(pixels, inks, drawn);
  const colours = inks.map(channels);
  const distance = (at: number, label: number): number => {
    const colour = colours[label - 1] as readonly [number, number, number];
    return colour.reduce((sum, channel, n) => sum + ((pixels[4 * at + n] as number) - channel) ** 2, 0);
  };
  const pure = nearest.map((label, at) => (label === 0 || distance(at, label) <= PURE ? label : MIXED));
  return pure.map((label, at) => {
    if (label !== MIXED) return label;
    const [x, y] = [at % width, Math.floor(at / width)];
    let best = 0;
    let least = Infinity;
    for (let v = Math.max(0, y - REACH); v <= Math.min(height - 1, y + REACH); v++)
      for (let u = Math.max(0, x - REACH); u <= Math.min(width - 1, x + REACH); u++) {
        const near = pure[v * width + u] as number;
        if (near === 0 || near === MIXED || near === best) continue;
        const apart = distance(at, near);
        if (apart < least) [least, best] = [apart, near];
      }
    return best === 0 ? (nearest[at] as number) : best;
  });
}

/** A placement whose finest lines are too thin to be printed. */
export interface FineDetail {
  readonly id: string;
  readonly motif: string;
  /** Of its thinnest line as it lies, mm. */
  readonly mm: number;
}

/**
 * Placements with lines that a density does not print, the thinnest first.
 *
 * @param thinnest the thinnest line of each motif at its natural size, mm, where it has a thin one
 */
export function findFineDetail(
  placements: readonly Placement[],
  thinnest: ReadonlyMap<string, number>,
  dpi: number,
): readonly FineDetail[] {
  const least = thinnestLine(dpi);
  return placements
    .flatMap((placement): FineDetail[] => {
      const width = thinnest.get(placement.motif);
      if (width === undefined) return [];
      const mm = width * leastScale(placement);
      return mm < least ? [{ id: placement.id, motif: placement.motif, mm }] : [];
    })
    .sort((a, b) => a.mm - b.mm);
}

/** What a millimetre of a motif becomes along the direction in which it is made smallest. */
export function leastScale(placement: Placement): number {
  const back = invert(poseMatrix(placement));
  return back ? 1 / largestStretch(back) : 0;
}
