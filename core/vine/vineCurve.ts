import { type Box, boxAround, growBox, type Point } from '../geometry/index.ts';
import type { VineRecipe } from '../recipe/index.ts';
import { periodicSpline } from './periodicSpline.ts';

/** A vine at one place: where, how wide, and how these change; by the curve's own parameter, mm. */
export interface VinePlace {
  readonly at: Point;
  readonly slope: Point;
  readonly bend: Point;
  readonly width: number;
  readonly widening: number;
}

/** The parts of a vine that its middle line is made of. */
export type VineLine = Pick<VineRecipe, 'knots' | 'period'>;

/** Knots that lie on each other count as this far apart, so that the curve has a direction everywhere; mm. */
const LEAST_STEP = 1e-3;
const NARROWEST = 0.02;
/** Places between two knots at which its length is measured. */
const MEASURED = 48;
/** Places of a period that its extent is taken from, and among which the nearest is looked for. */
const [BOXED, NEARED] = [256, 1024];

/**
 * The middle line of a vine: a cubic spline through its knots by their distances that goes on without an end, shifted by the period
 * each time. What it says at `t` and at `t + span` differs by the period alone.
 */
export class VineCurve {
  /** How far the parameter goes in one period. */
  readonly span: number;
  /** Length of one period along the curve, mm. */
  readonly length: number;
  readonly knots: readonly number[];
  readonly #steps: readonly number[];
  readonly #period: Point;
  readonly #values: readonly (readonly number[])[];
  readonly #bends: readonly Float64Array[];
  readonly #rises: readonly number[];
  /** How long the curve is up to each of the measured places. */
  readonly #lengths: Float64Array;

  constructor({ knots, period }: VineLine) {
    const [first] = knots;
    if (!first) throw new RangeError('a vine needs a knot');
    const next = (n: number): Point => knots[n + 1] ?? { x: first.x + period.x, y: first.y + period.y };
    this.#steps = knots.map(({ x, y }, n) => Math.max(LEAST_STEP, Math.hypot(next(n).x - x, next(n).y - y)));
    const starts = [0];
    for (const step of this.#steps) starts.push((starts.at(-1) as number) + step);
    this.span = starts.at(-1) as number;
    this.knots = starts.slice(0, -1);
    this.#period = period;
    this.#rises = [period.x, period.y, 0];
    this.#values = [knots.map(({ x }) => x), knots.map(({ y }) => y), knots.map(({ width }) => width)];
    this.#bends = this.#values.map((values, k) => periodicSpline(this.#steps, values, this.#rises[k] as number));
    this.#lengths = this.#measured();
    this.length = this.#lengths.at(-1) as number;
  }

  /** The curve at a parameter, any number. */
  place(t: number): VinePlace {
    const periods = Math.floor(t / this.span);
    const rest = Math.min(Math.max(0, t - periods * this.span), this.span);
    const n = this.#segment(rest);
    const step = this.#steps[n] as number;
    const a = (rest - (this.knots[n] as number)) / step;
    const [x, y, w] = [this.#component(0, n, a), this.#component(1, n, a), this.#component(2, n, a)];
    return {
      at: { x: x.value + periods * this.#period.x, y: y.value + periods * this.#period.y },
      slope: { x: x.slope, y: y.slope },
      bend: { x: x.bend, y: y.bend },
      width: Math.max(NARROWEST, w.value),
      widening: w.value > NARROWEST ? w.slope : 0,
    };
  }

  /** The parameter at a length along the curve from its beginning, mm. */
  parameterAt(length: number): number {
    const periods = Math.floor(length / this.length);
    const rest = length - periods * this.length;
    const lengths = this.#lengths;
    let [low, high] = [0, lengths.length - 1];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if ((lengths[middle] as number) <= rest) low = middle;
      else high = middle;
    }
    const [from, to] = [lengths[low] as number, lengths[high] as number];
    const share = to > from ? (rest - from) / (to - from) : 0;
    const t = this.#measuredAt(low) * (1 - share) + this.#measuredAt(high) * share;
    return t + periods * this.span;
  }

  /** The length along the curve up to a parameter within one period, mm. */
  lengthAt(t: number): number {
    let [low, high] = [0, this.#lengths.length - 1];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (this.#measuredAt(middle) <= t) low = middle;
      else high = middle;
    }
    const [from, to] = [this.#measuredAt(low), this.#measuredAt(high)];
    const share = to > from ? Math.min(1, Math.max(0, (t - from) / (to - from))) : 0;
    return (this.#lengths[low] as number) * (1 - share) + (this.#lengths[high] as number) * share;
  }

  #segment(t: number): number {
    let [low, high] = [0, this.knots.length];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if ((this.knots[middle] as number) <= t) low = middle;
      else high = middle;
    }
    return low;
  }

  #component(k: number, n: number, a: number): { value: number; slope: number; bend: number } {
    const [values, bends] = [this.#values[k] as readonly number[], this.#bends[k] as Float64Array];
    const step = this.#steps[n] as number;
    const isLast = n + 1 === values.length;
    const p = values[n] as number;
    const q = isLast ? (values[0] as number) + (this.#rises[k] as number) : (values[n + 1] as number);
    const m = bends[n] as number;
    const l = bends[isLast ? 0 : n + 1] as number;
    const b = 1 - a;
    return {
      value: b * p + a * q + ((step * step) / 6) * ((b ** 3 - b) * m + (a ** 3 - a) * l),
      slope: (q - p) / step + (step / 6) * ((3 * a * a - 1) * l - (3 * b * b - 1) * m),
      bend: b * m + a * l,
    };
  }

  #measuredAt(place: number): number {
    const n = Math.floor(place / MEASURED);
    const from = n < this.knots.length ? (this.knots[n] as number) : this.span;
    return from + ((this.#steps[n] ?? 0) * (place % MEASURED)) / MEASURED;
  }

  #measured(): Float64Array {
    const lengths = new Float64Array(this.knots.length * MEASURED + 1);
    const speed = (t: number): number => {
      const { slope } = this.place(t);
      return Math.hypot(slope.x, slope.y);
    };
    for (let n = 1; n < lengths.length; n += 1) {
      const [from, to] = [this.#measuredAt(n - 1), this.#measuredAt(n)];
      // Simpson's rule.
      const by = ((to - from) / 6) * (speed(from) + 4 * speed((from + to) / 2) + speed(to));
      lengths[n] = (lengths[n - 1] as number) + by;
    }
    return lengths;
  }
}

/** The direction of a place, of length 1; where the curve stands still, to the right. */
export function directionOf({ slope }: Pick<VinePlace, 'slope'>): Point {
  const length = Math.hypot(slope.x, slope.y);
  return length > 1e-9 ? { x: slope.x / length, y: slope.y / length } : { x: 1, y: 0 };
}

/** What one period of a vine covers at the most, mm. */
export function vineBox(curve: VineCurve): Box {
  const places = Array.from({ length: BOXED + 1 }, (_, n) => curve.place((n / BOXED) * curve.span));
  const reach = Math.max(...places.map(({ width }) => width));
  return growBox(boxAround(places.map(({ at }) => at)), reach);
}

/** The place of one period of a vine that is nearest to a point, by its length along it. */
export function nearestOnVine(
  curve: VineCurve,
  { x, y }: Point,
): { readonly length: number; readonly distance: number; readonly width: number } {
  let best = { length: 0, distance: Infinity, width: 0 };
  for (let n = 0; n < NEARED; n += 1) {
    const t = (n / NEARED) * curve.span;
    const { at, width } = curve.place(t);
    const distance = Math.hypot(at.x - x, at.y - y);
    if (distance < best.distance) best = { length: curve.lengthAt(t), distance, width };
  }
  return best;
}
