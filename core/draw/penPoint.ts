import { decode, encode } from 'vlq';
import type { Point } from '../geometry/index.ts';

/** A place that the pen was at. */
export interface PenPoint {
  /** mm. */
  readonly x: number;
  readonly y: number;
  /** ms since the stroke began. */
  readonly time: number;
  /** 0 to 1. */
  readonly pressure: number;
}

/** Steps to a mm, and to full pressure, that points are kept in. */
const [PER_MM, PER_PRESSURE] = [100, 100];
/** Numbers to a point. */
const NUMBERS = 4;

/**
 * Points as text: for each of them how far it lies from the one before, in hundredths of a mm, ms and hundredths of full pressure, as
 * variable-length quantities in base 64 (as in source maps). About six letters to a point.
 */
export function encodePoints(points: readonly PenPoint[]): string {
  const before = [0, 0, 0, 0];
  return encode(
    points.flatMap(({ x, y, time, pressure }) => {
      const now = [x * PER_MM, y * PER_MM, time, pressure * PER_PRESSURE].map(Math.round);
      return now.map((value, n) => {
        const by = value - (before[n] as number);
        before[n] = value;
        return by;
      });
    }),
  );
}

/** Points out of text. @throws RangeError where it holds none */
export function decodePoints(text: string): PenPoint[] {
  let numbers: number[];
  try {
    numbers = decode(text);
  } catch {
    throw new RangeError('the points of a stroke cannot be read');
  }
  if (numbers.length === 0 || numbers.length % NUMBERS !== 0)
    throw new RangeError('the points of a stroke are not whole');
  const at = [0, 0, 0, 0];
  const points: PenPoint[] = [];
  for (let n = 0; n < numbers.length; n += NUMBERS) {
    for (let k = 0; k < NUMBERS; k += 1) at[k] = (at[k] as number) + (numbers[n + k] as number);
    const [x = 0, y = 0, time = 0, pressure = 0] = at;
    points.push({ x: x / PER_MM, y: y / PER_MM, time, pressure: pressure / PER_PRESSURE });
  }
  return points;
}

/** Between the loops of an area, which letters of points never are. */
const BETWEEN = ';';

/** Closed lines as text, one after another. */
export function encodeLoops(loops: readonly (readonly Point[])[]): string {
  return loops.map((loop) => encodePoints(loop.map(({ x, y }) => ({ x, y, time: 0, pressure: 0 })))).join(BETWEEN);
}

/** Lines out of text. @throws RangeError where it holds none */
export function decodeLoops(text: string): PenPoint[][] {
  return text.split(BETWEEN).map(decodePoints);
}
