/**
 * A straight unit seen from farther away: every pixel becomes the mean of `reduction` × `reduction` pixels of the
 * endlessly repeated unit. The result has the unit's own size and shows `reduction` times as many repeats each way,
 * so it tiles in whole pixels although a single cell in it does not. Means are taken of what is seen, so transparent
 * pixels do not lend their colour.
 *
 * Summed-area table after Crow (1984), read across the joins.
 *
 * @param unit RGBA, not premultiplied, width × height × 4 bytes; at most 2²⁴ pixels, so that the sums stay exact
 * @returns RGBA of the same size
 */
export function reduceUnit(unit: Uint8ClampedArray, width: number, height: number, reduction: number): Uint8ClampedArray<ArrayBuffer> {
  if (unit.length !== width * height * 4) throw new RangeError(`expected ${width * height * 4} bytes, got ${unit.length}`);
  const out = new Uint8ClampedArray(unit.length);
  const sums = new Float64Array((width + 1) * (height + 1));
  const alpha = new Float64Array(width * height);
  boxSums(unit, 3, width, height, reduction, sums, (i, total) => {
    alpha[i] = total;
    out[i * 4 + 3] = total / (reduction * reduction);
  });
  for (let channel = 0; channel < 3; channel += 1) {
    boxSums(unit, channel, width, height, reduction, sums, (i, total) => {
      const weight = alpha[i] as number;
      out[i * 4 + channel] = weight > 0 ? total / weight : 0;
    });
  }
  return out;
}

/** Sums one channel (weighted by alpha, unless it is alpha) over the block that each pixel of the result stands for. */
function boxSums(
  unit: Uint8ClampedArray,
  channel: number,
  width: number,
  height: number,
  reduction: number,
  sums: Float64Array,
  take: (index: number, total: number) => void,
): void {
  const stride = width + 1;
  for (let y = 0; y < height; y += 1) {
    let row = 0;
    for (let x = 0; x < width; x += 1) {
      const at = (y * width + x) * 4;
      const value = unit[at + channel] as number;
      row += channel === 3 ? value : value * (unit[at + 3] as number);
      sums[(y + 1) * stride + x + 1] = (sums[y * stride + x + 1] as number) + row;
    }
  }
  const sum = (x: number, y: number): number => sums[y * stride + x] as number;
  const wholeRow = (y: number): number => sum(width, y);
  /** The sum over [0, x) × [0, y) of the repeated plane, for any whole x and y. */
  const upTo = (x: number, y: number): number => {
    const ix = Math.floor(x / width);
    const iy = Math.floor(y / height);
    const rx = x - ix * width;
    const ry = y - iy * height;
    return ix * iy * sum(width, height) + ix * wholeRow(ry) + iy * sum(rx, height) + sum(rx, ry);
  };
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const left = (x * reduction) % width;
      const top = (y * reduction) % height;
      const right = left + reduction;
      const bottom = top + reduction;
      take(y * width + x, upTo(right, bottom) - upTo(left, bottom) - upTo(right, top) + upTo(left, top));
    }
  }
}
