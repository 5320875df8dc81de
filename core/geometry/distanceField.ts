const FAR = 1e20;

/**
 * Squared distance from each place to the nearest one that is set, in places; exact. Felzenszwalb and Huttenlocher,
 * Distance Transforms of Sampled Functions (2012): lower envelopes of parabolas, down the columns, then along the rows.
 */
export function squaredDistances(set: Uint8Array, width: number, height: number): Float64Array {
  const field = new Float64Array(width * height);
  for (let n = 0; n < field.length; n += 1) field[n] = set[n] ? 0 : FAR;
  const longest = Math.max(width, height);
  const line = new Float64Array(longest);
  const apex = new Int32Array(longest);
  const edge = new Float64Array(longest + 1);
  const transform = (start: number, step: number, length: number): void => {
    for (let i = 0; i < length; i += 1) line[i] = field[start + i * step] as number;
    let k = 0;
    apex[0] = 0;
    edge[0] = -Infinity;
    edge[1] = Infinity;
    for (let q = 1; q < length; q += 1) {
      const meet = (): number => {
        const p = apex[k] as number;
        return ((line[q] as number) + q * q - (line[p] as number) - p * p) / (2 * q - 2 * p);
      };
      let s = meet();
      while (s <= (edge[k] as number)) {
        k -= 1;
        s = meet();
      }
      k += 1;
      apex[k] = q;
      edge[k] = s;
      edge[k + 1] = Infinity;
    }
    k = 0;
    for (let q = 0; q < length; q += 1) {
      while ((edge[k + 1] as number) < q) k += 1;
      const p = apex[k] as number;
      field[start + q * step] = (q - p) * (q - p) + (line[p] as number);
    }
  };
  for (let x = 0; x < width; x += 1) transform(x, width, height);
  for (let y = 0; y < height; y += 1) transform(y * width, 1, width);
  return field;
}
