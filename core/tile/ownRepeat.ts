import type { Point } from '../geometry/index.ts';
import { shortBasis, SQUARE, step, type Step } from '../lattice/index.ts';
import { lightness, type PixelImage } from '../scan/index.ts';
import { Fourier } from './fourier.ts';

/** The repeat that a picture shows by itself. */
export interface OwnRepeat {
  /** One cell, pixels, to a fraction of one. */
  readonly width: number;
  readonly height: number;
  /** Degrees clockwise by which the picture is tilted. */
  readonly rotation: number;
  /** Degrees by which it leans besides, its lower end to the right; its height is measured upright. */
  readonly shear: number;
  readonly step: Step;
  /** How alike the picture and itself one cell on are, 0 to 1. */
  readonly likeness: number;
}

/** Pictures are looked at by so many pixels along the longer side at the most. */
const LONGEST = 256;
/** Repeats shorter than this are grain, pixels of the reduced picture. */
const SHORTEST = 6;
/** A picture less like itself than this does not repeat. */
const LEAST_LIKE = 0.3;
/** Of several repeats those count that are nearly as like as the best. */
const NEARLY = 0.8;
/** Less than so many degrees between its sides and a right angle may be chance. */
const LEAST_SHEAR = 0.4;
/** Degrees that a picture may be tilted. */
const MOST_TILT = 8;

/**
 * The repeat of a picture, by its autocorrelation: where it lies over itself moved, it is alike at the vectors of its lattice (Wiener–Khinchin, by two
 * Fourier transforms). Places between pixels are told by the parabola through a peak and its neighbours, and finer by the farthest multiples that are seen.
 *
 * @returns undefined where nothing repeats, or is tilted too far
 */
export function ownRepeat(picture: PixelImage): OwnRepeat | undefined {
  const by = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const grid = reduced(
    picture,
    Math.max(8, Math.round(picture.width * by)),
    Math.max(8, Math.round(picture.height * by)),
  );
  const alike = autocorrelation(grid);
  const peaks = peaksOf(alike);
  const most = peaks[0]?.like ?? 0;
  if (most < LEAST_LIKE) return undefined;
  const good = peaks.filter(({ like }) => like >= NEARLY * most).sort((p, q) => length(p) - length(q));
  const [first] = good;
  const other = first && good.find((peak) => Math.abs(cross(first, peak)) > 0.25 * length(first) * length(peak));
  if (!first || !other) return undefined;
  const [u, v] = shortBasis(first, other);
  const vectors: Point[] = [];
  for (let i = -4; i <= 4; i += 1)
    for (let j = -4; j <= 4; j += 1)
      if (i !== 0 || j !== 0) vectors.push({ x: i * u.x + j * v.x, y: i * u.y + j * v.y });
  const tilt = ({ x, y }: Point): number => (Math.atan2(y, x) * 180) / Math.PI;
  const across = shortest(vectors.filter((vector) => Math.abs(tilt(vector)) <= MOST_TILT));
  const down = shortest(vectors.filter((vector) => Math.abs(tilt(vector) - 90) <= MOST_TILT));
  if (!across || !down) return undefined;
  const [p, q] = [refined(alike, across), refined(alike, down)];
  const cells = Math.round(Math.abs(cross(across, down) / cross(u, v)));
  const [sx, sy] = [picture.width / grid.width, picture.height / grid.height];
  const [wide, high] = [
    { x: p.x * sx, y: p.y * sy },
    { x: q.x * sx, y: q.y * sy },
  ];
  // Of an upright cell with a point in its middle, half is a half-drop.
  const isDropped = cells === 2;
  const lean = tilt(wide) + 90 - tilt(high);
  const leans = Math.abs(lean) >= LEAST_SHEAR;
  return {
    width: length(wide) / (isDropped ? 2 : 1),
    height: leans ? cross(wide, high) / length(wide) : length(high),
    rotation: leans ? tilt(wide) : (tilt(wide) + tilt(high) - 90) / 2,
    shear: leans ? lean : 0,
    step: isDropped ? step('half-drop') : SQUARE,
    likeness: Math.min(1, alike.at(p.x, p.y), alike.at(q.x, q.y)),
  };
}

const length = ({ x, y }: Point): number => Math.hypot(x, y);
const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x;
const shortest = (vectors: readonly Point[]): Point | undefined =>
  vectors.reduce<Point | undefined>((best, one) => (best && length(best) <= length(one) ? best : one), undefined);

interface Grid {
  readonly width: number;
  readonly height: number;
  readonly values: Float64Array;
}

/** The lightness, its mean taken out, in patches of the picture. */
function reduced({ width, height, data }: PixelImage, columns: number, rows: number): Grid {
  const values = new Float64Array(columns * rows);
  const counts = new Float64Array(columns * rows);
  for (let y = 0; y < height; y += 1) {
    const row = Math.min(rows - 1, Math.floor((y * rows) / height)) * columns;
    for (let x = 0; x < width; x += 1) {
      const at = row + Math.min(columns - 1, Math.floor((x * columns) / width));
      values[at] = (values[at] as number) + lightness(data, 4 * (y * width + x));
      counts[at] = (counts[at] as number) + 1;
    }
  }
  let sum = 0;
  for (let n = 0; n < values.length; n += 1) {
    values[n] = (values[n] as number) / Math.max(1, counts[n] as number);
    sum += values[n] as number;
  }
  const mean = sum / values.length;
  return { width: columns, height: rows, values: values.map((value) => value - mean) };
}

/** How alike a picture is to itself, moved. */
interface Likeness {
  readonly farX: number;
  readonly farY: number;
  /** 1 where it is not moved; pixels, rounded. */
  at(x: number, y: number): number;
}

function autocorrelation({ width, height, values }: Grid): Likeness {
  // Room beside it, so that it does not meet itself from the other side.
  const [wide, high] = [2 ** Math.ceil(Math.log2(2 * width)), 2 ** Math.ceil(Math.log2(2 * height))];
  const data = new Float64Array(2 * wide * high);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) data[2 * (y * wide + x)] = values[y * width + x] as number;
  const [across, down] = [new Fourier(wide), new Fourier(high)];
  const each = (transform: (line: Float64Array, fourier: Fourier) => void): void => {
    for (let y = 0; y < high; y += 1) transform(data.subarray(2 * y * wide, 2 * (y + 1) * wide), across);
    const line = new Float64Array(2 * high);
    for (let x = 0; x < wide; x += 1) {
      for (let y = 0; y < high; y += 1) line.set(data.subarray(2 * (y * wide + x), 2 * (y * wide + x) + 2), 2 * y);
      transform(line, down);
      for (let y = 0; y < high; y += 1) data.set(line.subarray(2 * y, 2 * y + 2), 2 * (y * wide + x));
    }
  };
  each((line, fourier) => fourier.forward(line));
  for (let n = 0; n < data.length; n += 2) {
    data[n] = (data[n] as number) ** 2 + (data[n + 1] as number) ** 2;
    data[n + 1] = 0;
  }
  each((line, fourier) => fourier.inverse(line));
  const whole = (data[0] as number) / (width * height);
  return {
    farX: Math.floor(width / 2),
    farY: Math.floor(height / 2),
    at: (x, y) => {
      const [dx, dy] = [Math.round(x), Math.round(y)];
      const sum = data[2 * (((dy + high) % high) * wide + ((dx + wide) % wide))] as number;
      return whole <= 0 ? 0 : sum / ((width - Math.abs(dx)) * (height - Math.abs(dy))) / whole;
    },
  };
}

interface Peak extends Point {
  readonly like: number;
}

/** Where a picture is more like itself than a little to any side, between pixels, the likest first; of opposite ones one. */
function peaksOf(alike: Likeness): Peak[] {
  const peaks: Peak[] = [];
  for (let y = 0; y < alike.farY; y += 1)
    for (let x = -alike.farX + 1; x < alike.farX; x += 1) {
      if (x * x + y * y < SHORTEST * SHORTEST || (y === 0 && x < 0)) continue;
      const like = alike.at(x, y);
      if (like < LEAST_LIKE) continue;
      let isPeak = true;
      for (let dy = -2; dy <= 2 && isPeak; dy += 1)
        for (let dx = -2; dx <= 2 && isPeak; dx += 1)
          if ((dx !== 0 || dy !== 0) && alike.at(x + dx, y + dy) > like) isPeak = false;
      if (isPeak) peaks.push({ ...between(alike, x, y), like });
    }
  return peaks.sort((p, q) => q.like - p.like);
}

/** The top of the parabolas through a place and its neighbours. */
function between(alike: Likeness, x: number, y: number): Point {
  const top = (before: number, here: number, after: number): number => {
    const bend = before - 2 * here + after;
    return bend < 0 ? Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend))) : 0;
  };
  const here = alike.at(x, y);
  return {
    x: x + top(alike.at(x - 1, y), here, alike.at(x + 1, y)),
    y: y + top(alike.at(x, y - 1), here, alike.at(x, y + 1)),
  };
}

/** A vector of the lattice made finer by its farthest multiple that is still seen. */
function refined(alike: Likeness, vector: Point): Point {
  let best = vector;
  for (let times = 1; ; times += 1) {
    const [x, y] = [Math.round(best.x * times), Math.round(best.y * times)];
    if (Math.abs(x) >= alike.farX - 2 || Math.abs(y) >= alike.farY - 2) return best;
    let peak = { x, y, like: -Infinity };
    for (let dy = -2; dy <= 2; dy += 1)
      for (let dx = -2; dx <= 2; dx += 1) {
        const like = alike.at(x + dx, y + dy);
        if (like > peak.like) peak = { x: x + dx, y: y + dy, like };
      }
    if (peak.like < LEAST_LIKE) return best;
    const at = between(alike, peak.x, peak.y);
    best = { x: at.x / times, y: at.y / times };
  }
}
