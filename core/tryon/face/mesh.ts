import { array, object, string } from 'yup';
import type { Point } from '../../geometry/index.ts';
import { between, pointSchema, whole } from '../../schema/index.ts';
import { defineFace } from './faceKind.ts';

/** Points of a mesh each way, at the most. */
const MOST = 12;
/** A mesh is looked up by so many small quadrilaterals to each of its own, each way. */
const FINE = 6;
/** Newton's steps from there; each doubles the digits. */
const STEPS = 6;
/** Units of the scene that a point found may be off by. */
const NEAR = 1e-6;

/** Weights of four neighbours on a Catmull-Rom spline, and their derivatives (Catmull and Rom, 1974). */
function weights(t: number, w: Float64Array, d: Float64Array): void {
  const [t2, t3] = [t * t, t * t * t];
  w[0] = (-t3 + 2 * t2 - t) / 2;
  w[1] = (3 * t3 - 5 * t2 + 2) / 2;
  w[2] = (-3 * t3 + 4 * t2 + t) / 2;
  w[3] = (t3 - t2) / 2;
  d[0] = (-3 * t2 + 4 * t - 1) / 2;
  d[1] = (9 * t2 - 10 * t) / 2;
  d[2] = (-9 * t2 + 8 * t + 1) / 2;
  d[3] = (3 * t2 - 2 * t) / 2;
}

/** Cloth over a bulge: a grid of points that it passes through, smooth in between (a bicubic Catmull-Rom patch). */
export const mesh = defineFace({
  schema: object({
    kind: string<'mesh'>().oneOf(['mesh']).required(),
    /** Points across and down, evenly spaced on the cloth. */
    columns: whole(2, MOST),
    rows: whole(2, MOST),
    /** Where they are seen, row by row. */
    points: array(pointSchema.required())
      .required()
      .min(4)
      .max(MOST * MOST),
    /** mm of cloth from the first to the last column and row. */
    width: between(1, 1e5),
    height: between(1, 1e5),
  }).noUnknown(),
  map({ columns, rows, points, width, height }) {
    if (points.length !== columns * rows)
      throw new RangeError(
        `A mesh of ${columns} × ${rows} has ${columns * rows} points, and ${points.length} were given.`,
      );
    const patch = new Patch(columns, rows, points);
    // Made when a place is first looked up: of a mesh that is folded a hundred times it takes long, and whoever only checks a face needs none.
    let lookup: Lookup | undefined;
    return {
      toCloth(x, y, out) {
        lookup ??= new Lookup(patch);
        if (!lookup.find(x, y, out) || !patch.refine(x, y, out)) return false;
        out[0] = ((out[0] as number) / (columns - 1)) * width;
        out[1] = ((out[1] as number) / (rows - 1)) * height;
        return true;
      },
      toScene: (u, v) => patch.at((u / width) * (columns - 1), (v / height) * (rows - 1)),
    };
  },
});

/** The surface over its own parameters: s from 0 to columns - 1, t from 0 to rows - 1. */
class Patch {
  readonly #grid: Float64Array;
  readonly #stride: number;
  readonly #w = [new Float64Array(4), new Float64Array(4)] as const;
  readonly #d = [new Float64Array(4), new Float64Array(4)] as const;
  /** x, y and their derivatives by s and t, of the last point asked for. */
  readonly #found = new Float64Array(6);

  constructor(
    readonly columns: number,
    readonly rows: number,
    points: readonly Point[],
  ) {
    // One more all around, in line with the last two, so that the rim is no different from the inside.
    this.#stride = columns + 2;
    this.#grid = new Float64Array(this.#stride * (rows + 2) * 2);
    const own = (i: number, j: number): Point => {
      if (i < 0) return beyond(own(0, j), own(1, j));
      if (i >= columns) return beyond(own(columns - 1, j), own(columns - 2, j));
      if (j < 0) return beyond(own(i, 0), own(i, 1));
      if (j >= rows) return beyond(own(i, rows - 1), own(i, rows - 2));
      return points[j * columns + i] as Point;
    };
    for (let j = -1; j <= rows; j += 1)
      for (let i = -1; i <= columns; i += 1) {
        const { x, y } = own(i, j);
        const at = ((j + 1) * this.#stride + i + 1) * 2;
        this.#grid[at] = x;
        this.#grid[at + 1] = y;
      }
  }

  at(s: number, t: number): Point {
    this.#evaluate(s, t);
    return { x: this.#found[0] as number, y: this.#found[1] as number };
  }

  /** Newton's method from a guess in `out`, which it makes better. @returns whether it came to the point, within the mesh */
  refine(x: number, y: number, out: Float64Array): boolean {
    const found = this.#found;
    for (let n = 0; n < STEPS; n += 1) {
      this.#evaluate(out[0] as number, out[1] as number);
      const [ex, ey] = [x - (found[0] as number), y - (found[1] as number)];
      if (Math.abs(ex) + Math.abs(ey) < NEAR) break;
      const [a, b, c, d] = [found[2] as number, found[3] as number, found[4] as number, found[5] as number];
      const det = a * d - b * c;
      if (Math.abs(det) < 1e-12) return false;
      out[0] = (out[0] as number) + (d * ex - c * ey) / det;
      out[1] = (out[1] as number) + (a * ey - b * ex) / det;
    }
    const slack = 1e-6;
    const [s, t] = [out[0] as number, out[1] as number];
    return s >= -slack && t >= -slack && s <= this.columns - 1 + slack && t <= this.rows - 1 + slack;
  }

  #evaluate(s: number, t: number): void {
    const i = Math.min(this.columns - 2, Math.max(0, Math.floor(s)));
    const j = Math.min(this.rows - 2, Math.max(0, Math.floor(t)));
    const [ws, wt] = this.#w;
    const [ds, dt] = this.#d;
    weights(s - i, ws, ds);
    weights(t - j, wt, dt);
    const found = this.#found.fill(0);
    for (let l = 0; l < 4; l += 1)
      for (let k = 0; k < 4; k += 1) {
        const at = ((j + l) * this.#stride + i + k) * 2;
        const [x, y] = [this.#grid[at] as number, this.#grid[at + 1] as number];
        const [w, bs, bt] = [
          (ws[k] as number) * (wt[l] as number),
          (ds[k] as number) * (wt[l] as number),
          (ws[k] as number) * (dt[l] as number),
        ];
        found[0] = (found[0] as number) + w * x;
        found[1] = (found[1] as number) + w * y;
        found[2] = (found[2] as number) + bs * x;
        found[3] = (found[3] as number) + bs * y;
        found[4] = (found[4] as number) + bt * x;
        found[5] = (found[5] as number) + bt * y;
      }
  }
}

const beyond = (edge: Point, inner: Point): Point => ({ x: 2 * edge.x - inner.x, y: 2 * edge.y - inner.y });

/** Small triangles of a patch, found by where they are seen. */
class Lookup {
  readonly #across: number;
  readonly #s: Float64Array;
  readonly #buckets: readonly number[][];
  readonly #left: number;
  readonly #top: number;
  readonly #size: number;
  readonly #wide: number;
  readonly #high: number;

  constructor(patch: Patch) {
    const [nx, ny] = [(patch.columns - 1) * FINE + 1, (patch.rows - 1) * FINE + 1];
    this.#across = nx;
    this.#s = new Float64Array(nx * ny * 2);
    let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
    for (let j = 0; j < ny; j += 1)
      for (let i = 0; i < nx; i += 1) {
        const { x, y } = patch.at(i / FINE, j / FINE);
        this.#s.set([x, y], (j * nx + i) * 2);
        left = Math.min(left, x);
        right = Math.max(right, x);
        top = Math.min(top, y);
        bottom = Math.max(bottom, y);
      }
    [this.#left, this.#top] = [left, top];
    this.#size = Math.max(1e-9, Math.sqrt(((right - left) * (bottom - top)) / (nx * ny)) * 1.5);
    this.#wide = Math.min(200, Math.max(1, Math.ceil((right - left) / this.#size)));
    this.#high = Math.min(200, Math.max(1, Math.ceil((bottom - top) / this.#size)));
    const buckets: number[][] = Array.from({ length: this.#wide * this.#high }, () => []);
    for (let j = 0; j < ny - 1; j += 1)
      for (let i = 0; i < nx - 1; i += 1) {
        const quad = [0, 1, nx, nx + 1].map((by) => (j * nx + i + by) * 2);
        const xs = quad.map((at) => this.#column(this.#s[at] as number));
        const ys = quad.map((at) => this.#row(this.#s[at + 1] as number));
        for (let r = Math.min(...ys); r <= Math.max(...ys); r += 1)
          for (let c = Math.min(...xs); c <= Math.max(...xs); c += 1) buckets[r * this.#wide + c]?.push(j * nx + i);
      }
    this.#buckets = buckets;
  }

  /** Writes the parameters near a point that is seen at (x, y). @returns whether there is one */
  find(x: number, y: number, out: Float64Array): boolean {
    const [column, row] = [(x - this.#left) / this.#size, (y - this.#top) / this.#size];
    if (column < -1 || row < -1 || column > this.#wide + 1 || row > this.#high + 1) return false;
    const nx = this.#across;
    // Those drawn last lie over the others, where a mesh folds.
    const quads = this.#buckets[this.#row(y) * this.#wide + this.#column(x)] ?? [];
    for (let n = quads.length - 1; n >= 0; n -= 1) {
      const quad = quads[n] as number;
      const [i, j] = [quad % nx, Math.floor(quad / nx)];
      if (this.#within(quad, quad + 1, quad + nx, x, y, out)) {
        out[0] = (i + (out[0] as number)) / FINE;
        out[1] = (j + (out[1] as number)) / FINE;
        return true;
      }
      if (this.#within(quad + nx + 1, quad + nx, quad + 1, x, y, out)) {
        out[0] = (i + 1 - (out[0] as number)) / FINE;
        out[1] = (j + 1 - (out[1] as number)) / FINE;
        return true;
      }
    }
    return false;
  }

  /** Writes how far along p to q and p to r a point lies. @returns whether it is in their triangle, or just beside it */
  #within(p: number, q: number, r: number, x: number, y: number, out: Float64Array): boolean {
    const s = this.#s;
    const [px, py] = [s[p * 2] as number, s[p * 2 + 1] as number];
    const [ax, ay] = [(s[q * 2] as number) - px, (s[q * 2 + 1] as number) - py];
    const [bx, by] = [(s[r * 2] as number) - px, (s[r * 2 + 1] as number) - py];
    const det = ax * by - ay * bx;
    if (det === 0) return false;
    const a = ((x - px) * by - (y - py) * bx) / det;
    const b = (ax * (y - py) - ay * (x - px)) / det;
    const slack = 0.02;
    if (a < -slack || b < -slack || a + b > 1 + slack) return false;
    out[0] = a;
    out[1] = b;
    return true;
  }

  readonly #column = (x: number): number =>
    Math.min(this.#wide - 1, Math.max(0, Math.floor((x - this.#left) / this.#size)));
  readonly #row = (y: number): number =>
    Math.min(this.#high - 1, Math.max(0, Math.floor((y - this.#top) / this.#size)));
}
