/**
 * The second derivatives at its knots of the cubic spline that goes through values and goes on without an end, each time higher by
 * `rise`: twice continuously differentiable everywhere, at the join too.
 *
 * Solves the cyclic tridiagonal system of the spline (de Boor, A Practical Guide to Splines, 1978, ch. IV) by the Sherman–Morrison
 * formula (Press et al., Numerical Recipes, 2.7).
 *
 * @param steps from each knot to the next, the last one to the first knot of the next period; above 0
 */
export function periodicSpline(steps: readonly number[], values: readonly number[], rise: number): Float64Array {
  const n = values.length;
  const step = (i: number): number => steps[(i + n) % n] as number;
  const slope = (i: number): number => {
    const k = (i + n) % n;
    const next = k + 1 < n ? (values[k + 1] as number) : (values[0] as number) + rise;
    return (next - (values[k] as number)) / step(k);
  };
  if (n === 1) return new Float64Array(1);
  const right = Float64Array.from({ length: n }, (_, i) => 6 * (slope(i) - slope(i - 1)));
  const diagonal = Float64Array.from({ length: n }, (_, i) => 2 * (step(i - 1) + step(i)));
  if (n === 2) {
    // Both neighbours of a knot are the other one.
    const [d, e] = [diagonal[0] as number, step(0) + step(1)];
    const [r, s] = [right[0] as number, right[1] as number];
    const det = d * d - e * e;
    return Float64Array.of((d * r - e * s) / det, (d * s - e * r) / det);
  }
  const corner = step(n - 1);
  const gamma = -(diagonal[0] as number);
  const within = Float64Array.from(diagonal);
  within[0] = (diagonal[0] as number) - gamma;
  within[n - 1] = (diagonal[n - 1] as number) - (corner * corner) / gamma;
  const off = Float64Array.from({ length: n - 1 }, (_, i) => step(i));
  const u = new Float64Array(n);
  u[0] = gamma;
  u[n - 1] = corner;
  const x = solveTridiagonal(within, off, right);
  const z = solveTridiagonal(within, off, u);
  const last = corner / gamma;
  const factor =
    ((x[0] as number) + last * (x[n - 1] as number)) / (1 + (z[0] as number) + last * (z[n - 1] as number));
  return x.map((value, i) => value - factor * (z[i] as number));
}

/** A symmetric tridiagonal system, by elimination (Thomas). */
function solveTridiagonal(diagonal: Float64Array, off: Float64Array, right: Float64Array): Float64Array {
  const n = diagonal.length;
  const upper = new Float64Array(n);
  const x = Float64Array.from(right);
  let pivot = diagonal[0] as number;
  x[0] = (x[0] as number) / pivot;
  for (let i = 1; i < n; i += 1) {
    const beside = off[i - 1] as number;
    upper[i] = beside / pivot;
    pivot = (diagonal[i] as number) - beside * (upper[i] as number);
    x[i] = ((x[i] as number) - beside * (x[i - 1] as number)) / pivot;
  }
  for (let i = n - 2; i >= 0; i -= 1) x[i] = (x[i] as number) - (upper[i + 1] as number) * (x[i + 1] as number);
  return x;
}
