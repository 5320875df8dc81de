import { seeded } from '../../core/random/index.ts';

/** A place on the block, in units of half a millimetre or so; y downwards. */
export type P = readonly [x: number, y: number];

/** The inks of the collection, by the name they have in the studio. */
export const INKS = {
  indigo: '#22304a',
  madder: '#b5442f',
  weld: '#d8a63a',
  kelp: '#566f52',
  shell: '#dda189',
  chalk: '#f4ecdc',
} as const;
export type InkName = keyof typeof INKS;

/** Points along a Catmull-Rom spline through `points`, about `spacing` apart. */
export function along(points: readonly P[], closed: boolean, spacing: number): P[] {
  const n = points.length;
  const at = (i: number): P => points[closed ? (i + n) % n : Math.min(n - 1, Math.max(0, i))] as P;
  const out: P[] = [];
  for (let i = 0; i < (closed ? n : n - 1); i += 1) {
    const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    const pieces = Math.max(1, Math.round(Math.hypot(p2[0] - p1[0], p2[1] - p1[1]) / spacing));
    for (let k = 0; k < pieces; k += 1) {
      const t = k / pieces;
      const blend = (c: 0 | 1): number =>
        0.5 *
        (2 * p1[c] +
          (p2[c] - p0[c]) * t +
          (2 * p0[c] - 5 * p1[c] + 4 * p2[c] - p3[c]) * t * t +
          (3 * p1[c] - p0[c] - 3 * p2[c] + p3[c]) * t * t * t);
      out.push([blend(0), blend(1)]);
    }
  }
  if (!closed) out.push(at(n - 1));
  return out;
}

export function ellipse(cx: number, cy: number, rx: number, ry: number, turn = 0, count = 14): P[] {
  const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  return Array.from({ length: count }, (_, i): P => {
    const a = (2 * Math.PI * i) / count;
    const [x, y] = [rx * Math.cos(a), ry * Math.sin(a)];
    return [cx + x * c - y * s, cy + x * s + y * c];
  });
}

/** The place at `angle` degrees (0 is up, clockwise) and `radius` from a centre. */
export function polar([cx, cy]: P, angle: number, radius: number): P {
  const a = (angle * Math.PI) / 180;
  return [cx + radius * Math.sin(a), cy - radius * Math.cos(a)];
}

export function mirror(points: readonly P[], axis: number): P[] {
  return points.map(([x, y]): P => [2 * axis - x, y]);
}

/** The outline of a band along a line; `width` gives its full width for 0 to 1 along it. */
export function band(line: readonly P[], width: (t: number) => number): P[] {
  const left: P[] = [];
  const right: P[] = [];
  line.forEach(([x, y], i) => {
    const [ax, ay] = line[Math.max(0, i - 1)] as P;
    const [bx, by] = line[Math.min(line.length - 1, i + 1)] as P;
    const length = Math.hypot(bx - ax, by - ay) || 1;
    const half = width(i / (line.length - 1)) / 2;
    const [nx, ny] = [-(by - ay) / length, (bx - ax) / length];
    left.push([x + nx * half, y + ny * half]);
    right.unshift([x - nx * half, y - ny * half]);
  });
  return [...left, ...right];
}

/** A printing block being cut: shapes in order, each in one ink, with the slight unevenness of a knife. */
export class Block {
  readonly #random: () => number;
  readonly #cuts: string[] = [];

  constructor(seed: number) {
    this.#random = seeded(seed);
  }

  /** A number between the bounds. */
  between(low: number, high: number): number {
    return low + (high - low) * this.#random();
  }

  /** A closed shape with a smooth outline, cut in short facets. */
  shape(ink: InkName, points: readonly P[], uneven = 0.55): this {
    return this.#facets(ink, along(points, true, 3.4), uneven);
  }

  /** A closed shape with straight sides and sharp corners. */
  corners(ink: InkName, points: readonly P[], uneven = 0.5): this {
    const sides = points.flatMap((p, i) => {
      const q = points[(i + 1) % points.length] as P;
      const pieces = Math.max(1, Math.round(Math.hypot(q[0] - p[0], q[1] - p[1]) / 6));
      return Array.from({ length: pieces }, (_, k): P => [
        p[0] + ((q[0] - p[0]) * k) / pieces,
        p[1] + ((q[1] - p[1]) * k) / pieces,
      ]);
    });
    return this.#facets(ink, sides, uneven);
  }

  /** A band along a smooth line. */
  strip(ink: InkName, line: readonly P[], width: number | ((t: number) => number), uneven = 0.5): this {
    return this.#facets(ink, band(along(line, false, 3.4), typeof width === 'number' ? () => width : width), uneven);
  }

  /** One push of the gouge: thin where it goes in, widest past the middle, ending short. */
  gouge(ink: InkName, line: readonly P[], width: number): this {
    const profile = (t: number): number => width * Math.sin(Math.PI * Math.min(1, t * 0.92 + 0.04)) ** 0.8;
    return this.#facets(ink, band(along(line, false, 2.6), profile), 0.22);
  }

  /** A small round picked out with the tip. */
  pick(ink: InkName, [x, y]: P, radius: number): this {
    return this.#facets(
      ink,
      ellipse(x, y, radius * this.between(0.85, 1.15), radius * this.between(0.85, 1.15), this.between(0, 180), 8),
      radius * 0.12,
    );
  }

  /** The block as an SVG file, `width` mm wide. */
  svg(title: string, width: number): string {
    const numbers = this.#cuts.flatMap((cut) =>
      [...cut.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]): P => [Number(x), Number(y)]),
    );
    const [xs, ys] = [numbers.map(([x]) => x), numbers.map(([, y]) => y)];
    const [left, top] = [Math.floor(Math.min(...xs)), Math.floor(Math.min(...ys))];
    const [w, h] = [Math.ceil(Math.max(...xs)) - left, Math.ceil(Math.max(...ys)) - top];
    const height = ((width * h) / w).toFixed(2);
    return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="${left} ${top} ${w} ${h}">\n<title>${title}</title>\n${this.#cuts.join('\n')}\n</svg>\n`;
  }

  #facets(ink: InkName, points: readonly P[], uneven: number): this {
    const jitter = (): number => (this.#random() + this.#random() - 1) * uneven;
    const path = points
      .map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${(x + jitter()).toFixed(1)} ${(y + jitter()).toFixed(1)}`)
      .join('');
    this.#cuts.push(`<path fill="${INKS[ink]}" d="${path}Z"/>`);
    return this;
  }
}
