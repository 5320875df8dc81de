import type { PixelImage } from '../scan/index.ts';

/** A picture read line by line across a join: its rows, or its columns. */
export interface Lines {
  /** How many there are, and how long each is. */
  readonly count: number;
  readonly length: number;
  /** Bytes from one line to the next, and from one place to the next. */
  readonly lineStep: number;
  readonly placeStep: number;
  readonly data: Uint8ClampedArray;
}

/** Orders of differences that are looked at. */
export const ORDERS = [1, 3, 5] as const;
export type Order = (typeof ORDERS)[number];

const STENCILS: Readonly<Record<Order, readonly number[]>> = {
  1: [-1, 1],
  3: [-1, 3, -3, 1],
  5: [-1, 5, -10, 10, -5, 1],
};
/** Rounding to whole levels makes differences of this much, in every order, of what has none. */
const ROUNDING: Readonly<Record<Order, number>> = { 1: 0.4, 3: 1.2, 5: 4 };

/** The rows of a picture, or its columns. */
export function linesOf({ width, height, data }: PixelImage, down: boolean): Lines {
  return down
    ? { count: width, length: height, data, lineStep: 4, placeStep: 4 * width }
    : { count: height, length: width, data, lineStep: 4 * width, placeStep: 4 };
}

/**
 * How rough the picture is across a place, line by line: the sum over the channels of the difference of an order, taken from pixels to both sides.
 *
 * @param shift what is after the place goes on in the line so many above, where lines end; 0 to below their number
 * @param by pixels by which what is after the place is read farther on, between pixels along the line
 * @param place the first pixel after it; where the lines end, and begin again, unless given
 */
export function roughness(lines: Lines, order: Order, shift: number, by = 0, place = lines.length): Float64Array {
  const { count, length, data, lineStep, placeStep } = lines;
  const stencil = STENCILS[order];
  const half = stencil.length / 2;
  const values = new Float64Array(count);
  const isInside = place - half >= 0 && place + half <= length;
  const level = (line: number, where: number, c: number): number => {
    if (where < length) return data[line * lineStep + Math.max(0, where) * placeStep + c] as number;
    const other = (line - shift < 0 ? line - shift + count : line - shift) * lineStep + c;
    if (by === 0) return data[other + (where - length) * placeStep] as number;
    // Between pixels by the cubic of the four around.
    const left = where - length + by;
    const first = Math.max(0, Math.floor(left) - 1);
    const t = left - first - 1;
    const [p, q, r, s] = [0, 1, 2, 3].map((n) => data[other + (first + n) * placeStep] as number) as [
      number,
      number,
      number,
      number,
    ];
    return q + 0.5 * t * (r - p + t * (2 * p - 5 * q + 4 * r - s + t * (3 * (q - r) + s - p)));
  };
  for (let line = 0; line < count; line += 1) {
    let sum = 0;
    for (let c = 0; c < 4; c += 1) {
      let difference = 0;
      if (isInside) {
        let at = line * lineStep + (place - half) * placeStep + c;
        for (let n = 0; n < stencil.length; n += 1, at += placeStep)
          difference += (stencil[n] as number) * (data[at] as number);
      } else {
        for (let n = 0; n < stencil.length; n += 1)
          difference += (stencil[n] as number) * level(line, place - half + n, c);
      }
      sum += Math.abs(difference);
    }
    values[line] = sum;
  }
  return values;
}

/** How rough a picture is inside, for each order. */
export interface InsideRoughness {
  /** Of the means over all lines at each place: the median, and the largest. */
  readonly median: number;
  readonly roughest: number;
  /** The largest at any place in any line. */
  readonly sharpest: number;
}

/** @param margin pixels along each edge that are left out */
export function roughnessInside(lines: Lines, margin: number): readonly InsideRoughness[] {
  return ORDERS.map((order) => {
    const means: number[] = [];
    let sharpest = ROUNDING[order];
    for (let place = margin + 4; place <= lines.length - margin - 4; place += 1) {
      const values = roughness(lines, order, 0, 0, place);
      let sum = 0;
      for (const value of values) {
        sum += value;
        if (value > sharpest) sharpest = value;
      }
      means.push(Math.max(ROUNDING[order], sum / values.length));
    }
    means.sort((p, q) => p - q);
    return { median: means[Math.floor(means.length / 2)] as number, roughest: means.at(-1) as number, sharpest };
  });
}
