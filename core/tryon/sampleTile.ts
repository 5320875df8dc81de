import type { Pyramid, PyramidLevel } from './pyramid.ts';

/** Samples of one pixel at the most: a face seen at 86 degrees is still sharp along its short side. */
const MOST_PROBES = 24;
/** How far probes reach along the longer axis, in pixels of the picture, in a tent: a box of one pixel lets stripes through that are too fine. */
const REACH = 1.6;

/**
 * Adds up the light of the repeating tile that one pixel of the picture covers, into `out`: RGBA, linear, 0 to 65535, times opacity.
 *
 * The pixel covers an ellipse of the tile. Probes lie evenly along its longer axis, each from the two levels of the pyramid whose
 * pixels are about as wide as its shorter one, so that what recedes neither shimmers nor blurs (after Barkans, High Quality
 * Rendering Using the Talisman Architecture, 1997).
 *
 * @param x pixels of the tile's largest level; any number, since it repeats
 * @param ax how far (x, y) moves with one pixel to the right, and (bx, by) with one pixel down
 */
export function sampleTile(
  pyramid: Pyramid,
  x: number,
  y: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
  out: Float64Array,
): void {
  // A hot loop: no destructuring, which makes arrays of its own.
  out[0] = out[1] = out[2] = out[3] = 0;
  const xx = ax * ax + bx * bx;
  const yy = ay * ay + by * by;
  const xy = ax * ay + bx * by;
  const half = (xx - yy) / 2;
  const longest = (xx + yy) / 2 + Math.sqrt(half * half + xy * xy);
  const major = Math.sqrt(longest);
  const minor = major > 0 ? Math.abs(ax * by - ay * bx) / major : 0;
  const narrow = minor > 1 ? minor : 1;
  // A probe is as wide as the pixel is narrow by itself, so a round pixel needs but one.
  const reach = REACH * major - (REACH - 1) * narrow;
  const wished = Math.ceil(reach / narrow - 0.05);
  const probes = wished < 1 ? 1 : wished > MOST_PROBES ? MOST_PROBES : wished;
  const width = reach / probes > narrow ? reach / probes : narrow;
  const level = width > 1 ? Math.log2(width) : 0;
  const last = pyramid.length - 1;
  const fine = level < last ? Math.floor(level) : last;
  const coarseness = fine === last ? 0 : level - fine;
  const first = pyramid[0] as PyramidLevel;
  const sharp = pyramid[fine] as PyramidLevel;
  const soft = pyramid[fine < last ? fine + 1 : last] as PyramidLevel;
  // Within the tile, 0 to 1: it repeats.
  const u = x / first.width;
  const v = y / first.height;
  if (probes === 1) {
    if (coarseness < 1) addTexels(sharp, u, v, 1 - coarseness, out);
    if (coarseness > 0) addTexels(soft, u, v, coarseness, out);
    return;
  }
  const alongX = xx > yy ? longest - yy : xy;
  const alongY = xx > yy ? xy : longest - xx;
  const length = Math.sqrt(alongX * alongX + alongY * alongY);
  const du = length > 0 ? ((alongX / length) * reach) / first.width : 0;
  const dv = length > 0 ? ((alongY / length) * reach) / first.height : 0;
  // Of a tent over so many probes: 1, 2, … in the middle, … 2, 1.
  const total = Math.floor(((probes + 1) * (probes + 1)) / 4);
  for (let n = 0; n < probes; n += 1) {
    const along = (n + 0.5) / probes - 0.5;
    const weight = (n < probes / 2 ? n + 1 : probes - n) / total;
    if (coarseness < 1) addTexels(sharp, u + along * du, v + along * dv, (1 - coarseness) * weight, out);
    if (coarseness > 0) addTexels(soft, u + along * du, v + along * dv, coarseness * weight, out);
  }
}

/** Adds what lies at a point of one level, between its four nearest pixels. @param u tiles, any number */
function addTexels(
  { width, height, data }: PyramidLevel,
  u: number,
  v: number,
  weight: number,
  out: Float64Array,
): void {
  const fx = (u - Math.floor(u)) * width - 0.5;
  const fy = (v - Math.floor(v)) * height - 0.5;
  const left = Math.floor(fx);
  const top = Math.floor(fy);
  const tx = fx - left;
  const ty = fy - top;
  // Within one pixel beyond the edges, where the tile begins anew.
  const i0 = left < 0 ? left + width : left >= width ? left - width : left;
  const i1 = i0 + 1 === width ? 0 : i0 + 1;
  const j0 = top < 0 ? top + height : top >= height ? top - height : top;
  const j1 = j0 + 1 === height ? 0 : j0 + 1;
  const w00 = (1 - tx) * (1 - ty) * weight;
  const w10 = tx * (1 - ty) * weight;
  const w01 = (1 - tx) * ty * weight;
  const w11 = tx * ty * weight;
  const p00 = (j0 * width + i0) * 4;
  const p10 = (j0 * width + i1) * 4;
  const p01 = (j1 * width + i0) * 4;
  const p11 = (j1 * width + i1) * 4;
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
  (out[3] as number) +=
    w00 * (data[p00 + 3] as number) +
    w10 * (data[p10 + 3] as number) +
    w01 * (data[p01 + 3] as number) +
    w11 * (data[p11 + 3] as number);
}
