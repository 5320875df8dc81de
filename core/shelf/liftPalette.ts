import { hexOfOklab, type Hex, toOklab } from '../colour/index.ts';
import { seeded } from '../random/index.ts';

/** A colour of a picture, and how much of the picture it stands for. */
export interface LiftedColour {
  readonly colour: Hex;
  /** 0 to 1. */
  readonly share: number;
}

/** Pixels that are looked at, spread evenly over the picture. */
const MOST_PIXELS = 40_000;
const MOST_ROUNDS = 40;
/** Below this alpha a pixel shows too little of its colour. */
const SEEN = 128;

/**
 * Finds the colours that stand best for those of a picture: k-means in OKLab, begun by k-means++ (Arthur and Vassilvitskii, 2007)
 * from a seed, so that the same picture always gives the same palette.
 *
 * @param data RGBA, not premultiplied
 * @param count 3 to 24
 * @returns the largest share first; fewer where the picture has fewer colours, none where nothing of it is seen
 */
export function liftPalette(data: Uint8ClampedArray, count: number): readonly LiftedColour[] {
  const points = samplesOf(data);
  const size = points.length / 3;
  if (size === 0) return [];
  let centres = beginnings(points, count);
  const owner = new Uint8Array(size);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    let changed = 0;
    for (let n = 0; n < size; n++) {
      const nearest = nearestTo(points, 3 * n, centres).index;
      if (owner[n] !== nearest || round === 0) changed += 1;
      owner[n] = nearest;
    }
    centres = meansOf(points, owner, centres);
    if (changed === 0) break;
  }
  const counts = new Array<number>(centres.length / 3).fill(0);
  for (const n of owner) counts[n] = (counts[n] as number) + 1;
  const found = new Map<Hex, number>();
  counts.forEach((many, n) => {
    if (many === 0) return;
    const colour = hexOfOklab(centres[3 * n] as number, centres[3 * n + 1] as number, centres[3 * n + 2] as number);
    found.set(colour, (found.get(colour) ?? 0) + many / size);
  });
  return [...found].map(([colour, share]) => ({ colour, share })).sort((a, b) => b.share - a.share);
}

/** Lightness, a and b of pixels, in turn. */
function samplesOf(data: Uint8ClampedArray): Float64Array {
  const pixels = data.length / 4;
  const step = Math.max(1, pixels / MOST_PIXELS);
  const points: number[] = [];
  for (let n = 0; n < pixels; n += step) {
    const at = 4 * Math.floor(n);
    if ((data[at + 3] as number) < SEEN) continue;
    const [r, g, b] = [0, 1, 2].map((channel) => (data[at + channel] as number) / 255);
    const lab = toOklab({ mode: 'rgb', r: r ?? 0, g: g ?? 0, b: b ?? 0 });
    points.push(lab.l, lab.a, lab.b);
  }
  return Float64Array.from(points);
}

/** Points to begin from: each next one the likelier the farther it lies from those before. */
function beginnings(points: Float64Array, count: number): Float64Array {
  const size = points.length / 3;
  const random = seeded(size);
  const centres = [...points.subarray(0, 3)];
  const far = new Float64Array(size).fill(Infinity);
  while (centres.length < 3 * count) {
    const newest = Float64Array.from(centres.slice(-3));
    let sum = 0;
    for (let n = 0; n < size; n++) {
      far[n] = Math.min(far[n] as number, nearestTo(points, 3 * n, newest).distance);
      sum += far[n] as number;
    }
    if (sum === 0) break;
    let left = random() * sum;
    let chosen = 0;
    for (let n = 0; n < size; n++) {
      if ((far[n] as number) > 0) chosen = n;
      left -= far[n] as number;
      if (left < 0) break;
    }
    centres.push(...points.subarray(3 * chosen, 3 * chosen + 3));
  }
  return Float64Array.from(centres);
}

function nearestTo(points: Float64Array, at: number, centres: Float64Array): { index: number; distance: number } {
  let [index, distance] = [0, Infinity];
  for (let n = 0; n < centres.length; n += 3) {
    const dl = (points[at] as number) - (centres[n] as number);
    const da = (points[at + 1] as number) - (centres[n + 1] as number);
    const db = (points[at + 2] as number) - (centres[n + 2] as number);
    const squared = dl * dl + da * da + db * db;
    if (squared < distance) [index, distance] = [n / 3, squared];
  }
  return { index, distance };
}

/** The mean of what each centre owns; one that owns nothing stays. */
function meansOf(points: Float64Array, owner: Uint8Array, centres: Float64Array): Float64Array {
  const sums = new Float64Array(centres.length);
  const counts = new Float64Array(centres.length / 3);
  for (const [n, own] of owner.entries()) {
    counts[own] = (counts[own] as number) + 1;
    for (let k = 0; k < 3; k++) sums[3 * own + k] = (sums[3 * own + k] as number) + (points[3 * n + k] as number);
  }
  return sums.map((sum, n) => {
    const many = counts[Math.floor(n / 3)] as number;
    return many === 0 ? (centres[n] as number) : sum / many;
  });
}
