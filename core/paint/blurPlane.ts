/** Passes of the box; three come as near to a Gaussian as eyes can tell. */
const PASSES = 3;

/**
 * A Gaussian blur by passes of an extended box filter, whose variance is exactly the Gaussian's (Gwosdek, Grewenig, Bruhn and
 * Weickert, Theoretical Foundations of Gaussian Convolution by Extended Box Filtering, 2011). Places beyond the edges count as 0.
 *
 * @param values one for each place, row after row
 * @param sigma standard deviation, places; 0 and above
 */
export function blurPlane(values: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma <= 0) return values;
  const across = blurRows(values, width, height, sigma);
  return transposed(blurRows(transposed(across, width, height), height, width, sigma), height, width);
}

function blurRows(values: Float32Array, width: number, height: number, sigma: number): Float32Array {
  const variance = (sigma * sigma) / PASSES;
  const reach = Math.floor(0.5 * Math.sqrt(12 * variance + 1) - 0.5);
  // The share of the places just beyond the box that brings its variance to what it should be.
  const share = ((2 * reach + 1) * (reach * (reach + 1) - 3 * variance)) / (6 * (variance - (reach + 1) * (reach + 1)));
  const weight = 1 / (2 * reach + 1 + 2 * share);
  let from = values;
  for (let pass = 0; pass < PASSES; pass += 1) {
    const to = new Float32Array(values.length);
    for (let y = 0; y < height; y += 1) {
      const start = y * width;
      const at = (x: number): number => (x < 0 || x >= width ? 0 : (from[start + x] as number));
      let sum = 0;
      for (let x = 0; x < reach; x += 1) sum += at(x);
      for (let x = 0; x < width; x += 1) {
        sum += at(x + reach);
        to[start + x] = weight * (sum + share * (at(x - reach - 1) + at(x + reach + 1)));
        sum -= at(x - reach);
      }
    }
    from = to;
  }
  return from;
}

function transposed(values: Float32Array, width: number, height: number): Float32Array {
  const to = new Float32Array(values.length);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) to[x * height + y] = values[y * width + x] as number;
  return to;
}
