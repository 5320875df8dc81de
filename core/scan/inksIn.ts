import { hexOfOklab, toOklab, type Hex } from '../colour/index.ts';
import type { PixelImage } from './pixelImage.ts';

/** From this opacity on a pixel counts as drawn. */
export const DRAWN_ALPHA = 128;
/** Pixels whose neighbours differ more than this are an edge's mixture and no ink of their own. */
const EDGE = 24;
const ROUNDS = 12;
/** Colours nearer than this are one ink and its grain, OKLab. */
const GRAIN = 0.05;

/** Bin of a colour, 32 steps a channel. */
export function colourBin(data: Uint8ClampedArray, at: number): number {
  return (((data[at] as number) >> 3) << 10) | (((data[at + 1] as number) >> 3) << 5) | ((data[at + 2] as number) >> 3);
}

interface Cluster {
  readonly lab: readonly [number, number, number];
  readonly weight: number;
}

/** An sRGB colour, 0 to 255, in OKLab. */
export function oklab(r: number, g: number, b: number): readonly [number, number, number] {
  const { l, a, b: yellow } = toOklab({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
  return [l, a, yellow];
}

/**
 * The inks a picture is drawn in, most used first: k-means in OKLab over what is not a mixture at an edge. The first
 * guess is the most used colour, each next the one that most is far from; so the same picture gives the same inks.
 *
 * White comes last, and only where there is room for it: it is what paper is left of, and no ink that anything is lost to.
 *
 * @param most at most so many; fewer where there are fewer colours
 */
export function inksIn(pixels: PixelImage, most: number): Hex[] {
  const all = flatColours(pixels);
  const coloured = all.filter(({ lab }) => !isWhite(lab));
  const inks = clustered(coloured, most);
  return inks.length < most
    ? [
        ...inks,
        ...clustered(
          all.filter(({ lab }) => isWhite(lab)),
          1,
        ),
      ]
    : inks;
}

/** Whether a pixel and its four neighbours are opaque and of about one colour. */
export function isFlat({ width, height, data }: PixelImage, x: number, y: number): boolean {
  if (x === 0 || y === 0 || x === width - 1 || y === height - 1) return false;
  const at = (y * width + x) * 4;
  for (const other of [at, at - 4, at + 4, at - width * 4, at + width * 4]) {
    if ((data[other + 3] as number) < 250) return false;
    for (let c = 0; c < 3; c += 1)
      if (Math.abs((data[other + c] as number) - (data[at + c] as number)) > EDGE) return false;
  }
  return true;
}

/** Whether a colour is that of paper made white. */
export function isWhite([l, a, b]: Cluster['lab']): boolean {
  return l > 0.9 && Math.hypot(a, b) < 0.04;
}

function clustered(colours: readonly Cluster[], most: number): Hex[] {
  const [first] = [...colours].sort((a, b) => b.weight - a.weight);
  if (!first) return [];
  let centres: Cluster['lab'][] = [first.lab];
  while (centres.length < most) {
    const farthest = colours.reduce<{ pull: number; lab: Cluster['lab'] }>(
      (best, { lab, weight }) => {
        const away = Math.min(...centres.map((centre) => apart(centre, lab)));
        return away > GRAIN * GRAIN && weight * away > best.pull ? { pull: weight * away, lab } : best;
      },
      { pull: 0, lab: first.lab },
    );
    if (farthest.pull === 0) break;
    centres.push(farthest.lab);
  }
  let weights = centres.map(() => 0);
  for (let round = 0; round < ROUNDS; round += 1) {
    const sums = centres.map(() => [0, 0, 0, 0] as [number, number, number, number]);
    for (const { lab, weight } of colours) {
      const sum = sums[nearest(centres, lab)] as [number, number, number, number];
      for (let c = 0; c < 3; c += 1) sum[c] = (sum[c] as number) + (lab[c] as number) * weight;
      sum[3] += weight;
    }
    weights = sums.map(([, , , n]) => n);
    centres = sums.map(([l, a, b, n], k) => (n > 0 ? [l / n, a / n, b / n] : (centres[k] as Cluster['lab'])));
  }
  const order = centres
    .map((_, k) => k)
    .filter((k) => (weights[k] as number) > 0)
    .sort((a, b) => (weights[b] as number) - (weights[a] as number));
  return [...new Set(order.map((k) => hexOf(centres[k] as Cluster['lab'])))];
}

/** The place in the list of the centre nearest to a colour. */
export function nearest(
  centres: readonly (readonly [number, number, number])[],
  lab: readonly [number, number, number],
): number {
  let best = 0;
  for (let k = 1; k < centres.length; k += 1)
    if (apart(centres[k] as Cluster['lab'], lab) < apart(centres[best] as Cluster['lab'], lab)) best = k;
  return best;
}

function apart(p: Cluster['lab'], q: Cluster['lab']): number {
  return (p[0] - q[0]) ** 2 + (p[1] - q[1]) ** 2 + (p[2] - q[2]) ** 2;
}

function hexOf([l, a, b]: Cluster['lab']): Hex {
  return hexOfOklab(l, a, b);
}

/** The picture's colours by bin; of flat places alone where there are any. */
function flatColours(pixels: PixelImage): Cluster[] {
  const { width, height, data } = pixels;
  const gather = (takes: (at: number, x: number, y: number) => boolean): Cluster[] => {
    const sums = new Map<number, [number, number, number, number]>();
    for (let y = 0; y < height; y += 1) {
      for (let x = 0; x < width; x += 1) {
        const at = (y * width + x) * 4;
        if ((data[at + 3] as number) < DRAWN_ALPHA || !takes(at, x, y)) continue;
        const bin = colourBin(data, at);
        const sum = sums.get(bin) ?? [0, 0, 0, 0];
        for (let c = 0; c < 3; c += 1) sum[c] = (sum[c] as number) + (data[at + c] as number);
        sum[3] += 1;
        sums.set(bin, sum);
      }
    }
    return [...sums.values()].map(([r, g, b, n]) => ({ lab: oklab(r / n, g / n, b / n), weight: n }));
  };
  const flat = gather((_at, x, y) => isFlat(pixels, x, y));
  return flat.length > 0 ? flat : gather(() => true);
}
