import { FULL } from './linearLight.ts';
import type { Pyramid, PyramidLevel } from './pyramid.ts';

/** Samples of one pixel at the most: a face seen at 86 degrees is still sharp along its short side. */
const MOST_PROBES = 24;
/** How far probes reach along the longer axis, in pixels of the picture, in a tent: a box of one pixel lets stripes through that are too fine. */
const REACH = 1.6;

/** A footprint is kept while it changes by less than this share of its length: far less than is seen. */
const KEPT = 1 / 256;

/**
 * Adds up the light of a repeating tile that pixels of the picture cover.
 *
 * A pixel covers an ellipse of the tile: its footprint. Probes lie evenly along its longer axis, each from the two levels of the
 * pyramid whose pixels are about as wide as its shorter one, so that what recedes neither shimmers nor blurs (after Barkans, High
 * Quality Rendering Using the Talisman Architecture, 1997).
 */
export class TileSampler {
  /** How far (x, y) moved with a pixel to the right, and down, where the footprint was measured; and how little these may change. */
  #ax = NaN;
  #ay = NaN;
  #bx = NaN;
  #by = NaN;
  #slack = 0;
  #probes = 1;
  /** The least weight of a probe. */
  #share = 1;
  /** From probe to probe, tiles. */
  #du = 0;
  #dv = 0;
  #sharp: PyramidLevel;
  #soft: PyramidLevel;
  /** The share of the softer level. */
  #coarseness = 0;
  readonly #pyramid: Pyramid;
  readonly #width: number;
  readonly #height: number;

  constructor(pyramid: Pyramid) {
    this.#pyramid = pyramid;
    const first = pyramid[0] as PyramidLevel;
    this.#width = first.width;
    this.#height = first.height;
    this.#sharp = this.#soft = first;
  }

  /**
   * Writes the light under one pixel into `out`: RGBA, linear, 0 to 65535, times opacity.
   *
   * @param x pixels of the tile's largest level; any number, since it repeats
   * @param ax how far (x, y) moves with one pixel to the right, and (bx, by) with one pixel down
   */
  sample(x: number, y: number, ax: number, ay: number, bx: number, by: number, out: Float64Array): void {
    const slack = this.#slack;
    // Neighbours cover nearly the same; a number that is none is never near.
    const isNear =
      Math.abs(ax - this.#ax) <= slack &&
      Math.abs(ay - this.#ay) <= slack &&
      Math.abs(bx - this.#bx) <= slack &&
      Math.abs(by - this.#by) <= slack;
    if (!isNear) this.#measure(ax, ay, bx, by);
    out[0] = out[1] = out[2] = out[3] = 0;
    const probes = this.#probes;
    const soft = this.#coarseness;
    const sharp = 1 - soft;
    const share = this.#share;
    const du = this.#du;
    const dv = this.#dv;
    // Within the tile, 0 to 1: it repeats.
    let u = x / this.#width - ((probes - 1) / 2) * du;
    let v = y / this.#height - ((probes - 1) / 2) * dv;
    for (let n = 1; n <= probes; n += 1) {
      // In a tent: 1, 2, … in the middle, … 2, 1 shares.
      const left = probes + 1 - n;
      const weight = (n < left ? n : left) * share;
      if (sharp > 0) addTexels(this.#sharp, u, v, sharp * weight, out);
      if (soft > 0) addTexels(this.#soft, u, v, soft * weight, out);
      u += du;
      v += dv;
    }
  }

  #measure(ax: number, ay: number, bx: number, by: number): void {
    const xx = ax * ax + bx * bx;
    const yy = ay * ay + by * by;
    const xy = ax * ay + bx * by;
    const half = (xx - yy) / 2;
    const longest = (xx + yy) / 2 + Math.sqrt(half * half + xy * xy);
    const major = Math.sqrt(longest);
    const minor = major > 0 ? Math.abs(ax * by - ay * bx) / major : 0;
    const narrow = Math.max(1, minor);
    // A probe is as wide as the pixel is narrow by itself, so a round pixel needs but one.
    const reach = REACH * major - (REACH - 1) * narrow;
    const probes = Math.min(MOST_PROBES, Math.max(1, Math.ceil(reach / narrow - 0.05)));
    const level = Math.log2(Math.max(1, narrow, reach / probes));
    const last = this.#pyramid.length - 1;
    const fine = Math.min(last, Math.floor(level));
    this.#sharp = this.#pyramid[fine] as PyramidLevel;
    this.#soft = this.#pyramid[Math.min(last, fine + 1)] as PyramidLevel;
    this.#coarseness = fine === last ? 0 : level - fine;
    const alongX = xx > yy ? longest - yy : xy;
    const alongY = xx > yy ? xy : longest - xx;
    const length = Math.sqrt(alongX * alongX + alongY * alongY);
    const step = probes === 1 || length === 0 ? 0 : reach / probes / length;
    this.#du = (alongX * step) / this.#width;
    this.#dv = (alongY * step) / this.#height;
    this.#share = 1 / Math.floor(((probes + 1) * (probes + 1)) / 4);
    this.#probes = probes;
    [this.#ax, this.#ay, this.#bx, this.#by] = [ax, ay, bx, by];
    this.#slack = KEPT * minor;
  }
}

/** Adds what lies at a point of one level, between its four nearest pixels. @param u tiles, any number */
function addTexels(
  { width, height, data, isOpaque }: PyramidLevel,
  u: number,
  v: number,
  weight: number,
  out: Float64Array,
): void {
  // One more than where it lies between pixels, from 0 on: whole numbers by `| 0`, which the engine keeps as such.
  const fx = (u - Math.floor(u)) * width + 0.5;
  const fy = (v - Math.floor(v)) * height + 0.5;
  const right = fx | 0;
  const lower = fy | 0;
  const tx = fx - right;
  const ty = fy - lower;
  // Within one pixel beyond the edges, where the tile begins anew.
  const i0 = (right === 0 ? width : right) - 1;
  const i1 = right === width ? 0 : right;
  const j0 = Math.imul((lower === 0 ? height : lower) - 1, width);
  const j1 = Math.imul(lower === height ? 0 : lower, width);
  const w00 = (1 - tx) * (1 - ty) * weight;
  const w10 = tx * (1 - ty) * weight;
  const w01 = (1 - tx) * ty * weight;
  const w11 = tx * ty * weight;
  const p00 = (j0 + i0) << 2;
  const p10 = (j0 + i1) << 2;
  const p01 = (j1 + i0) << 2;
  const p11 = (j1 + i1) << 2;
  // Channel by channel rather than in a loop, which takes half as long again.
  (out[0] as number) +=
    w00 * (data[p00] as number) +
    w10 * (data[p10] as number) +
    w01 * (data[p01] as number) +
    w11 * (data[p11] as number);
  (out[1] as number) +=
    w00 * (data[p00 + 1] as number) +
    w10 * (data[p10 + 1] as number) +
    w01 * (data[p01 + 1] as number) +
    w11 * (data[p11 + 1] as number);
  (out[2] as number) +=
    w00 * (data[p00 + 2] as number) +
    w10 * (data[p10 + 2] as number) +
    w01 * (data[p01 + 2] as number) +
    w11 * (data[p11 + 2] as number);
  // Most tiles are opaque.
  if (isOpaque) {
    (out[3] as number) += weight * FULL;
    return;
  }
  (out[3] as number) +=
    w00 * (data[p00 + 3] as number) +
    w10 * (data[p10 + 3] as number) +
    w01 * (data[p01 + 3] as number) +
    w11 * (data[p11 + 3] as number);
}
