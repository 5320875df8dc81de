import { channels, type Hex } from '../colour/index.ts';
import type { PaperRemoval } from '../recipe/index.ts';
import { labelComponents } from './connectedComponents.ts';
import type { PixelImage } from './pixelImage.ts';

type Rgb = readonly [number, number, number];

/** The colour that most of the picture has: the mean of its fullest bin, sixteen steps a channel. Undefined for an empty picture. */
export function paperColour({ data }: PixelImage): Hex | undefined {
  const counts = new Uint32Array(4096);
  const bin = (i: number): number =>
    (((data[i] as number) >> 4) << 8) | (((data[i + 1] as number) >> 4) << 4) | ((data[i + 2] as number) >> 4);
  let fullest = -1;
  for (let i = 0; i < data.length; i += 4) {
    if (data[i + 3] === 0) continue;
    const b = bin(i);
    counts[b] = (counts[b] as number) + 1;
    if (fullest < 0 || counts[b] > (counts[fullest] as number)) fullest = b;
  }
  if (fullest < 0) return undefined;
  let [r, g, b, n] = [0, 0, 0, 0];
  for (let i = 0; i < data.length; i += 4) {
    if (data[i + 3] === 0 || bin(i) !== fullest) continue;
    r += data[i] as number;
    g += data[i + 1] as number;
    b += data[i + 2] as number;
    n += 1;
  }
  return `#${[r, g, b]
    .map((sum) =>
      Math.round(sum / n)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}

/**
 * Takes the paper away; changes the picture itself.
 *
 * Pixels whose channels all lie within the tolerance of the paper's are paper. Along the edge to it, `soft` pixels deep,
 * what is seen is ink and paper mixed: c = α·ink + (1 − α)·paper. The ink is the colour farthest from the paper near
 * by, α the share of the way from paper to ink at which the pixel lies; the pixel is then ink alone at that opacity, so
 * that no paper is left to show as a fringe on a dark ground.
 *
 * @param soft pixels; 0 makes a hard edge
 */
export function removePaper(
  pixels: PixelImage,
  { reach, colour, tolerance }: Omit<PaperRemoval, 'soft'>,
  soft: number,
): void {
  const hex = colour ?? paperColour(pixels);
  if (!hex) return;
  const paper = channels(hex);
  const distance = distancesFrom(pixels, paper);
  const { width, height, data } = pixels;
  const gone = new Uint8Array(width * height);
  for (let n = 0; n < gone.length; n += 1)
    gone[n] = data[n * 4 + 3] === 0 || (distance[n] as number) <= tolerance ? 1 : 0;
  if (reach === 'outside') keepInside(gone, width, height);
  const depth = Math.max(1, Math.round(soft));
  const edges = edgeColours(pixels, distance, gone, paper, tolerance, depth);
  const words = new Uint32Array(data.buffer, data.byteOffset, gone.length);
  for (let n = 0; n < gone.length; n += 1) if (gone[n]) words[n] = 0;
  edges.at.forEach((n, k) => {
    const share = edges.share[k] as number;
    const opacity = soft > 0 ? share : share < 0.5 ? 0 : 1;
    if (opacity === 0) words[n] = 0;
    else {
      const ink = edges.ink[k] as Rgb;
      data[n * 4] = ink[0];
      data[n * 4 + 1] = ink[1];
      data[n * 4 + 2] = ink[2];
      data[n * 4 + 3] = (data[n * 4 + 3] as number) * opacity;
    }
  });
}

/** The largest difference of any channel, each pixel. */
function distancesFrom({ data }: PixelImage, [r, g, b]: Rgb): Uint8Array {
  const distance = new Uint8Array(data.length / 4);
  for (let n = 0; n < distance.length; n += 1) {
    const i = n * 4;
    distance[n] = Math.max(
      Math.abs((data[i] as number) - r),
      Math.abs((data[i + 1] as number) - g),
      Math.abs((data[i + 2] as number) - b),
    );
  }
  return distance;
}

/** Paper that cannot be reached from the picture's edge, going straight only, stays. */
function keepInside(gone: Uint8Array, width: number, height: number): void {
  const { row, from, to, part, boxes } = labelComponents(gone, width, height, false);
  for (let n = 0; n < row.length; n += 1) {
    const { left, top, right, bottom } = boxes[part[n] as number] as (typeof boxes)[number];
    if (left === 0 || top === 0 || right === width || bottom === height) continue;
    const start = (row[n] as number) * width;
    gone.fill(0, start + (from[n] as number), start + (to[n] as number));
  }
}

/** The pixels that are ink and paper mixed, the ink in each, and its share; those that are ink alone are left out. */
function edgeColours(
  { width, height, data }: PixelImage,
  distance: Uint8Array,
  gone: Uint8Array,
  paper: Rgb,
  tolerance: number,
  depth: number,
): { at: number[]; ink: Rgb[]; share: number[] } {
  const near = spread(gone, width, height, depth);
  const at: number[] = [];
  const ink: Rgb[] = [];
  const share: number[] = [];
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const n = y * width + x;
      // Paper that stays inside closed lines is no edge.
      if (!near[n] || gone[n] || (distance[n] as number) <= tolerance) continue;
      let strongest = n;
      let toGone = Infinity;
      let toKept = Infinity;
      for (let v = Math.max(0, y - depth); v <= Math.min(height - 1, y + depth); v += 1) {
        for (let u = Math.max(0, x - depth); u <= Math.min(width - 1, x + depth); u += 1) {
          const m = v * width + u;
          if (gone[m]) toGone = Math.min(toGone, Math.max(Math.abs(u - x), Math.abs(v - y)));
          else if ((distance[m] as number) <= tolerance)
            toKept = Math.min(toKept, Math.max(Math.abs(u - x), Math.abs(v - y)));
          else if ((distance[m] as number) > (distance[strongest] as number)) strongest = m;
        }
      }
      // The inner side of a thin line is mixed with the paper that stays there.
      if (strongest === n || toKept < toGone) continue;
      let [along, whole] = [0, 0];
      for (let c = 0; c < 3; c += 1) {
        const span = (data[strongest * 4 + c] as number) - (paper[c] as number);
        along += ((data[n * 4 + c] as number) - (paper[c] as number)) * span;
        whole += span * span;
      }
      at.push(n);
      ink.push([data[strongest * 4] as number, data[strongest * 4 + 1] as number, data[strongest * 4 + 2] as number]);
      share.push(Math.min(1, Math.max(0, along / whole)));
    }
  }
  return { at, ink, share };
}

/** The mask grown by `depth` places in every direction, squarely. */
function spread(mask: Uint8Array, width: number, height: number, depth: number): Uint8Array {
  const across = new Uint8Array(mask.length);
  for (let y = 0; y < height; y += 1) {
    let last = -Infinity;
    for (let x = 0, n = y * width; x < width + depth; x += 1, n += 1) {
      if (x < width && mask[n]) last = x;
      if (x >= depth && x - depth - last <= depth) across[n - depth] = 1;
    }
  }
  const grown = new Uint8Array(mask.length);
  // Row by row, with one counter to a column, since memory is read along rows.
  const last = new Int32Array(width).fill(-2 * height - 2 * depth);
  for (let y = 0; y < height + depth; y += 1) {
    for (let x = 0; x < width; x += 1) {
      if (y < height && across[y * width + x]) last[x] = y;
      if (y >= depth && y - depth - (last[x] as number) <= depth) grown[(y - depth) * width + x] = 1;
    }
  }
  return grown;
}
