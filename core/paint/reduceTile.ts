/**
 * A tile seen from farther away: every pixel becomes the mean of `reduction` × `reduction` pixels of the
 * endlessly repeated unit. The result has the unit's own size and shows `reduction` times as many repeats each way,
 * so it tiles in whole pixels although a single cell in it does not. Means are taken of what is seen, so transparent
 * pixels do not lend their colour.
 *
 * Summed-area table after Crow (1984), read across the joins. Its sums wrap round at 2³², which differences of them
 * do not notice as long as one block's own sum stays below that.
 *
 * @param unit RGBA, not premultiplied, width × height × 4 bytes
 * @param reduction at most 256
 * @returns RGBA of the same size
 */
export function reduceTile(
  unit: Uint8ClampedArray,
  width: number,
  height: number,
  reduction: number,
): Uint8ClampedArray<ArrayBuffer> {
  if (unit.length !== width * height * 4)
    throw new RangeError(`expected ${width * height * 4} bytes, got ${unit.length}`);
  const out = new Uint8ClampedArray(unit.length);
  const sums = new Uint32Array((width + 1) * (height + 1));
  const alpha = new Uint32Array(width * height);
  sumUp(unit, 3, width, height, sums);
  eachBlock(sums, width, height, reduction, (i, total) => {
    alpha[i] = total;
    out[i * 4 + 3] = total / (reduction * reduction);
  });
  for (let channel = 0; channel < 3; channel += 1) {
    sumUp(unit, channel, width, height, sums);
    eachBlock(sums, width, height, reduction, (i, total) => {
      const weight = alpha[i] as number;
      out[i * 4 + channel] = weight > 0 ? total / weight : 0;
    });
  }
  return out;
}

/** Fills the table: at (x, y) the sum of one channel over [0, x) × [0, y), weighted by alpha unless it is alpha. */
function sumUp(unit: Uint8ClampedArray, channel: number, width: number, height: number, sums: Uint32Array): void {
  const stride = width + 1;
  for (let y = 0; y < height; y += 1) {
    let row = 0;
    let at = y * width * 4;
    for (let x = 1; x <= width; x += 1, at += 4) {
      row += channel === 3 ? (unit[at + 3] as number) : (unit[at + channel] as number) * (unit[at + 3] as number);
      sums[(y + 1) * stride + x] = (sums[y * stride + x] as number) + row;
    }
  }
}

/** Hands over the sum of the block that each pixel of the result stands for. */
function eachBlock(
  sums: Uint32Array,
  width: number,
  height: number,
  reduction: number,
  take: (index: number, total: number) => void,
): void {
  const stride = width + 1;
  const sum = (x: number, y: number): number => sums[y * stride + x] as number;
  /** The sum over [0, x) × [0, y) of the repeated plane, for any whole x and y. */
  const upTo = (x: number, y: number): number => {
    const [ix, iy] = [Math.floor(x / width), Math.floor(y / height)];
    const [rx, ry] = [x - ix * width, y - iy * height];
    return ix * iy * sum(width, height) + ix * sum(width, ry) + iy * sum(rx, height) + sum(rx, ry);
  };
  let index = 0;
  for (let y = 0, top = 0; y < height; y += 1, top = (top + reduction) % height) {
    const bottom = top + reduction;
    for (let x = 0, left = 0; x < width; x += 1, left = (left + reduction) % width, index += 1) {
      const right = left + reduction;
      const total =
        right <= width && bottom <= height
          ? sum(right, bottom) - sum(left, bottom) - sum(right, top) + sum(left, top)
          : upTo(right, bottom) - upTo(left, bottom) - upTo(right, top) + upTo(left, top);
      take(index, total >>> 0);
    }
  }
}
