import { type Point, UPRIGHT } from '../geometry/index.ts';
import { hashed, hashedNext, unitOf } from '../random/index.ts';
import { type ArrayLayout, type ArrayRecipe, MOST_IN_ARRAY, type Part } from '../recipe/index.ts';

/** A place in an array: where, degrees clockwise, and whether it is a corner. */
interface Place extends Point {
  readonly rotation: number;
  /** Of two kinds of places by turns, the second. */
  readonly isOther?: boolean;
  readonly isCorner?: boolean;
}

/** Sizes of parts stay within these, however often they grow. */
const [SMALLEST, LARGEST] = [0.01, 50];
/** Straight pieces for each stretch between two points of a line. */
const PIECES = 24;

/** The parts of an array, in the order in which they are laid: at most 500. */
export function arrayParts({
  motif,
  layout,
  turn,
  growth,
  varyRotation,
  varyScale,
  seed,
  alternating,
}: ArrayRecipe): Part[] {
  return placesOf(layout)
    .slice(0, MOST_IN_ARRAY)
    .map(({ x, y, rotation, isCorner, isOther }, n) => {
      const chance = hashed(seed, n, 0);
      const either = (hash: number): number => 2 * unitOf(hash) - 1;
      const scale = (1 + growth) ** n * (1 + varyScale * either(hashedNext(chance)));
      const turned = rotation + turn * n + varyRotation * either(chance);
      return {
        ...UPRIGHT,
        motif: isCorner && layout.kind === 'frame' && layout.corner !== null ? layout.corner : motif,
        x,
        y,
        rotation: turned % 360,
        scale: Math.min(LARGEST, Math.max(SMALLEST, scale)),
        flipped: alternating === true && (isOther ?? n % 2 === 1),
        opacity: 1,
      };
    });
}

function placesOf(layout: ArrayLayout): Place[] {
  switch (layout.kind) {
    case 'grid':
      return gridPlaces(layout);
    case 'ring':
      return ringPlaces(layout);
    case 'line':
      return linePlaces(layout);
    case 'frame':
      return framePlaces(layout);
  }
}

function gridPlaces({ columns, rows, across, down, shift }: Extract<ArrayLayout, { kind: 'grid' }>): Place[] {
  const places: Place[] = [];
  for (let j = 0; j < rows; j += 1)
    for (let i = 0; i < columns; i += 1)
      places.push({
        x: (i - (columns - 1) / 2) * across + (j % 2) * shift * across,
        y: (j - (rows - 1) / 2) * down,
        rotation: 0,
        isOther: (i + j) % 2 === 1,
      });
  return places;
}

function ringPlaces({ count, radius, from, sweep, facing }: Extract<ArrayLayout, { kind: 'ring' }>): Place[] {
  // All the way round, the last stands beside the first.
  const gaps = sweep >= 360 ? count : Math.max(1, count - 1);
  return Array.from({ length: count }, (_, n) => {
    const degrees = from + (sweep * n) / gaps;
    const angle = (degrees * Math.PI) / 180;
    return { x: radius * Math.sin(angle), y: -radius * Math.cos(angle), rotation: facing ? degrees : 0 };
  });
}

/** The smooth line through points, a Catmull–Rom spline, as short straight pieces. */
export function smoothLine(points: readonly Point[]): Point[] {
  const at = (n: number): Point => points[Math.max(0, Math.min(points.length - 1, n))] as Point;
  const traced: Point[] = [at(0)];
  for (let n = 0; n < points.length - 1; n += 1) {
    const [a, b, c, d] = [at(n - 1), at(n), at(n + 1), at(n + 2)];
    for (let piece = 1; piece <= PIECES; piece += 1) {
      const t = piece / PIECES;
      const through = (p: number, q: number, r: number, s: number): number =>
        q + 0.5 * t * (r - p + t * (2 * p - 5 * q + 4 * r - s + t * (3 * (q - r) + s - p)));
      traced.push({ x: through(a.x, b.x, c.x, d.x), y: through(a.y, b.y, c.y, d.y) });
    }
  }
  return traced;
}

/** Evenly along a smooth line by its length. */
function linePlaces({ count, points, facing }: Extract<ArrayLayout, { kind: 'line' }>): Place[] {
  const traced = smoothLine(points);
  const far = [0];
  for (let n = 1; n < traced.length; n += 1) {
    const [p, q] = [traced[n - 1] as Point, traced[n] as Point];
    far.push((far[n - 1] as number) + Math.hypot(q.x - p.x, q.y - p.y));
  }
  const whole = far.at(-1) as number;
  return Array.from({ length: count }, (_, n) => {
    const wanted = count === 1 ? whole / 2 : (whole * n) / (count - 1);
    const next = Math.max(
      1,
      Math.min(
        traced.length - 1,
        far.findIndex((one) => one >= wanted),
      ),
    );
    const [p, q] = [traced[next - 1] as Point, traced[next] as Point];
    const [before, after] = [far[next - 1] as number, far[next] as number];
    const share = after > before ? Math.max(0, Math.min(1, (wanted - before) / (after - before))) : 0;
    return {
      x: p.x + share * (q.x - p.x),
      y: p.y + share * (q.y - p.y),
      rotation: facing ? (Math.atan2(q.y - p.y, q.x - p.x) * 180) / Math.PI : 0,
    };
  });
}

/** Round a rectangle from its upper left corner, clockwise; each side and corner is turned by a quarter more than the one before. */
function framePlaces({ width, height, across, down }: Extract<ArrayLayout, { kind: 'frame' }>): Place[] {
  const [x, y] = [width / 2, height / 2];
  const corners: readonly Point[] = [
    { x: -x, y: -y },
    { x, y: -y },
    { x, y },
    { x: -x, y },
  ];
  return corners.flatMap((from, n) => {
    const to = corners[(n + 1) % 4] as Point;
    const count = n % 2 === 0 ? across : down;
    return Array.from({ length: count + 1 }, (_, k): Place => {
      const share = k / (count + 1);
      return {
        x: from.x + share * (to.x - from.x),
        y: from.y + share * (to.y - from.y),
        rotation: 90 * n,
        isCorner: k === 0,
      };
    });
  });
}
