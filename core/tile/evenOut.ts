import { copyPixels, type PixelImage } from '../scan/index.ts';

/** Patches of this share of the longer side are made as light as each other. */
const PATCH = 1 / 6;
const PASSES = 3;

/** A picture without what changes slowly over it, such as uneven light: each colour channel less its blurred self, with the mean as it was. */
export function evenOut(picture: PixelImage): PixelImage {
  const { width, height } = picture;
  const even = copyPixels(picture);
  const size = Math.max(1, Math.ceil(Math.max(width, height) / 256));
  const [columns, rows] = [Math.ceil(width / size), Math.ceil(height / size)];
  const radius = Math.max(1, Math.round((PATCH * Math.max(columns, rows)) / 2));
  for (let c = 0; c < 3; c += 1) {
    let patches = patchMeans(picture, c, size, columns, rows);
    for (let pass = 0; pass < PASSES; pass += 1) {
      patches = boxBlurred(patches, columns, rows, radius, false);
      patches = boxBlurred(patches, columns, rows, radius, true);
    }
    const mean = patches.reduce((sum, one) => sum + one, 0) / patches.length;
    for (let y = 0; y < height; y += 1) {
      const v = Math.min(rows - 1, Math.max(0, (y + 0.5) / size - 0.5));
      const [up, s] = [Math.floor(v), v - Math.floor(v)];
      const low = Math.min(rows - 1, up + 1);
      for (let x = 0; x < width; x += 1) {
        const u = Math.min(columns - 1, Math.max(0, (x + 0.5) / size - 0.5));
        const [left, t] = [Math.floor(u), u - Math.floor(u)];
        const right = Math.min(columns - 1, left + 1);
        const slow =
          ((patches[up * columns + left] as number) * (1 - t) + (patches[up * columns + right] as number) * t) *
            (1 - s) +
          ((patches[low * columns + left] as number) * (1 - t) + (patches[low * columns + right] as number) * t) * s;
        const at = 4 * (y * width + x) + c;
        even.data[at] = (picture.data[at] as number) - slow + mean;
      }
    }
  }
  return even;
}

function patchMeans(
  { width, height, data }: PixelImage,
  c: number,
  size: number,
  columns: number,
  rows: number,
): Float64Array {
  const sums = new Float64Array(columns * rows);
  const counts = new Float64Array(columns * rows);
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const patch = Math.floor(y / size) * columns + Math.floor(x / size);
      sums[patch] = (sums[patch] as number) + (data[4 * (y * width + x) + c] as number);
      counts[patch] = (counts[patch] as number) + 1;
    }
  }
  return sums.map((sum, n) => sum / (counts[n] as number));
}

/** The mean of each patch and so many to either side, the picture mirrored at its edges. */
function boxBlurred(from: Float64Array, columns: number, rows: number, radius: number, down: boolean): Float64Array {
  const length = down ? rows : columns;
  const mirrored = (n: number): number => {
    const turn = ((n % (2 * length)) + 2 * length) % (2 * length);
    return turn < length ? turn : 2 * length - 1 - turn;
  };
  return from.map((_, n) => {
    const [x, y] = [n % columns, Math.floor(n / columns)];
    let sum = 0;
    for (let by = -radius; by <= radius; by += 1)
      sum += from[down ? mirrored(y + by) * columns + x : y * columns + mirrored(x + by)] as number;
    return sum / (2 * radius + 1);
  });
}
