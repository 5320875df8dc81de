/** Farther than anything: what a place is from one that is set where there is none. */
const FAR = 1e20;

/**
 * Squared distance from each place to the nearest one that is set, in places; exact; 1e20 where none is set.
 *
 * Down the columns it is counted, in two sweeps row by row, which is how memory lies; along the rows it is the lower envelope of
 * parabolas (Felzenszwalb and Huttenlocher, Distance Transforms of Sampled Functions, 2012).
 */
export function squaredDistances(set: Uint8Array, width: number, height: number): Float64Array {
  const field = countedDown(set, width, height);
  const line = new Float64Array(width);
  const apex = new Int32Array(width);
  const edge = new Float64Array(width + 1);
  for (let y = 0; y < height; y += 1) {
    const start = y * width;
    // Of the parabolas, those that are lowest somewhere, and from where on each is.
    let k = -1;
    for (let q = 0; q < width; q += 1) {
      const far = field[start + q] as number;
      if (far === FAR) continue;
      const height = far * far;
      line[q] = height;
      let s = -Infinity;
      while (k >= 0) {
        const p = apex[k] as number;
        s = (height + q * q - (line[p] as number) - p * p) / (2 * (q - p));
        if (s > (edge[k] as number)) break;
        k -= 1;
        s = -Infinity;
      }
      k += 1;
      apex[k] = q;
      edge[k] = s;
    }
    if (k < 0) continue;
    edge[k + 1] = Infinity;
    k = 0;
    for (let q = 0; q < width; q += 1) {
      while ((edge[k + 1] as number) < q) k += 1;
      const p = apex[k] as number;
      field[start + q] = (q - p) * (q - p) + (line[p] as number);
    }
  }
  return field;
}

/** How far it is straight up or down to a place that is set. */
function countedDown(set: Uint8Array, width: number, height: number): Float64Array {
  const field = new Float64Array(width * height);
  for (let n = 0; n < field.length; n += 1) {
    const above = n < width ? FAR : (field[n - width] as number);
    field[n] = set[n] ? 0 : above === FAR ? FAR : above + 1;
  }
  for (let n = field.length - width - 1; n >= 0; n -= 1) {
    const below = (field[n + width] as number) + 1;
    if (below < (field[n] as number)) field[n] = below;
  }
  return field;
}
