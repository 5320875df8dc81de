import { type Matrix, type Point, simplifyLine, transform } from '../geometry/index.ts';
import { type Lattice, latticeTranslate, nearestIndex } from '../lattice/index.ts';
import { transformPath } from '../motif/index.ts';
import { MOST_KNOTS, type VineKnot, type VineRecipe } from '../recipe/index.ts';
import { VineCurve } from './vineCurve.ts';

/** A hand's line is followed within this share of the vine's period. */
const FOLLOWED = 0.02;

/**
 * A vine along a line that was drawn from one place to about another instance of it: it goes on to the instance nearest to where the
 * line ends, and bends evenly to arrive there.
 *
 * @param line mm of the plane, two points at least
 * @returns undefined where the line ends nearest to where it began
 */
export function drawnVine(
  lattice: Lattice,
  line: readonly Point[],
  width: number,
): Pick<VineRecipe, 'index' | 'period' | 'knots'> | undefined {
  const [start, end] = [line[0], line.at(-1)];
  if (!start || !end) return undefined;
  const index = nearestIndex(lattice, { x: end.x - start.x, y: end.y - start.y });
  if (index.i === 0 && index.j === 0) return undefined;
  const period = latticeTranslate(lattice, index);
  const off = { x: start.x + period.x - end.x, y: start.y + period.y - end.y };
  const shares = sharesAlong(line);
  // What the line's end is off by is spread over all of it.
  const closing = line.map(({ x, y }, n) => ({
    x: x + off.x * (shares[n] as number),
    y: y + off.y * (shares[n] as number),
  }));
  const kept = simplifyLine(closing, FOLLOWED * Math.hypot(period.x, period.y)).slice(0, -1);
  return { index, period, knots: kept.slice(0, MOST_KNOTS).map(({ x, y }) => ({ x, y, width })) };
}

/**
 * The vine with another period, where the repeat has changed: it keeps its shape about the line from each instance to the next.
 *
 * @param period mm, as the vine's own is
 */
export function refittedVine(vine: VineRecipe, period: Point): VineRecipe {
  const by = { x: period.x - vine.period.x, y: period.y - vine.period.y };
  if (by.x === 0 && by.y === 0) return vine;
  const { knots, span } = new VineCurve(vine);
  return {
    ...vine,
    period,
    knots: vine.knots.map((knot, n) => {
      const share = (knots[n] as number) / span;
      return { ...knot, x: knot.x + by.x * share, y: knot.y + by.y * share };
    }),
  };
}

/** The vine with a knot more, at a length along it, which leaves it as it is as nearly as a spline can. */
export function withKnotAt<V extends Pick<VineRecipe, 'knots' | 'period'>>(vine: V, length: number): V {
  const curve = new VineCurve(vine);
  const t = curve.parameterAt(Math.min(curve.length * (1 - 1e-9), Math.max(0, length)));
  const { at, width } = curve.place(t);
  const after = curve.knots.filter((knot) => knot <= t).length;
  const knot: VineKnot = { ...at, width };
  return { ...vine, knots: [...vine.knots.slice(0, after), knot, ...vine.knots.slice(after)] };
}

/** The vine elsewhere, rotated, reflected or in another size; its widths by how large areas become. */
export function movedVine(vine: VineRecipe, matrix: Matrix): VineRecipe {
  const [a, b, c, d] = matrix;
  const by = Math.sqrt(Math.abs(a * d - b * c));
  return {
    ...vine,
    period: transform([a, b, c, d, 0, 0], vine.period),
    knots: vine.knots.map(({ x, y, width }) => ({ ...transform(matrix, { x, y }), width: width * by })),
    ...(vine.passes && {
      passes: vine.passes.map((pass) => ({ ...pass, free: transformPath(pass.free, matrix) })),
    }),
    ...(vine.passGap !== undefined && { passGap: vine.passGap * by }),
  };
}

/** How far along a line each of its points is, 0 to 1. */
function sharesAlong(line: readonly Point[]): number[] {
  const lengths = [0];
  for (let n = 1; n < line.length; n += 1) {
    const [p, q] = [line[n - 1] as Point, line[n] as Point];
    lengths.push((lengths.at(-1) as number) + Math.hypot(q.x - p.x, q.y - p.y));
  }
  const whole = lengths.at(-1) as number;
  return lengths.map((length) => (whole > 0 ? length / whole : 0));
}
