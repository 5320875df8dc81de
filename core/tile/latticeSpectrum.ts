import { Fourier } from './fourier.ts';
import type { PixelCell } from './pixelCell.ts';

/**
 * What a function does to the waves that repeat with a cell: each is multiplied by what `gain` says of it.
 *
 * A column's waves of k periods are out of step with the next column's by k·drop/height of a turn. Multiplied by that much of a turn in
 * proportion to x they repeat with the width, so that the whole is two ordinary transforms, whatever the drop.
 *
 * @param data real and imaginary parts by turns, row after row; changed in place
 * @param gain of a wave of so many periods per pixel across and down, each −½ to ½ or the like
 * @param progress is told shares of the work, 0 to 1
 */
export function filterWaves(
  data: Float32Array | Float64Array,
  cell: PixelCell,
  gain: (across: number, down: number) => number,
  progress: (share: number) => void = () => undefined,
): void {
  const isColumns = cell.stacked === 'columns';
  // The straight direction is the one that repeats by itself: down in columns, across in rows.
  const [straight, other] = isColumns ? [cell.height, cell.width] : [cell.width, cell.height];
  const [stepStraight, stepOther] = isColumns ? [cell.width, 1] : [1, cell.width];
  const first = new Fourier(straight);
  const second = new Fourier(other);
  // The second of the three passes does two transforms, the others one.
  const done = (from: number, to: number) => (share: number) => progress(from + share * (to - from));
  eachLine(data, other, straight, stepOther, stepStraight, (line) => first.forward(line), done(0, 0.25));
  const change = (wave: Float64Array, k: number): void => {
    const shift = (k * cell.drop) / straight;
    twist(wave, shift / other);
    second.forward(wave);
    for (let l = 0; l < other; l += 1) {
      const [along, across] = [k / straight, (l - shift) / other];
      const factor = isColumns ? gain(across, along) : gain(along, across);
      wave[2 * l] = (wave[2 * l] as number) * factor;
      wave[2 * l + 1] = (wave[2 * l + 1] as number) * factor;
    }
    second.inverse(wave);
    twist(wave, -shift / other);
  };
  eachLine(data, straight, other, stepStraight, stepOther, change, done(0.25, 0.75));
  eachLine(data, other, straight, stepOther, stepStraight, (line) => first.inverse(line), done(0.75, 1));
}

/** Lines that are read together, so that memory is gone through as it lies. */
const TOGETHER = 16;

/** Changes every line of a grid, each by its number. @param next, step numbers to the next line and to the next place in one */
function eachLine(
  data: Float32Array | Float64Array,
  count: number,
  length: number,
  next: number,
  step: number,
  change: (line: Float64Array, number: number) => void,
  progress: (share: number) => void,
): void {
  const lines = Array.from({ length: Math.min(TOGETHER, count) }, () => new Float64Array(2 * length));
  for (let from = 0; from < count; from += TOGETHER) {
    const some = lines.slice(0, Math.min(TOGETHER, count - from));
    for (let n = 0; n < length; n += 1)
      some.forEach((line, k) => {
        const at = 2 * ((from + k) * next + n * step);
        line[2 * n] = data[at] as number;
        line[2 * n + 1] = data[at + 1] as number;
      });
    some.forEach((line, k) => change(line, from + k));
    for (let n = 0; n < length; n += 1)
      some.forEach((line, k) => {
        const at = 2 * ((from + k) * next + n * step);
        data[at] = line[2 * n] as number;
        data[at + 1] = line[2 * n + 1] as number;
      });
    progress(Math.min(1, (from + TOGETHER) / count));
  }
}

/** After so many the angle is taken anew, so that rounding does not add up. */
const TURNS_AT_A_TIME = 64;

/** Each number turned by so many turns more than the one before it. */
function twist(line: Float64Array, turns: number): void {
  if (turns === 0) return;
  const [stepCos, stepSin] = [Math.cos(2 * Math.PI * turns), Math.sin(2 * Math.PI * turns)];
  let [cos, sin] = [1, 0];
  for (let n = 0; n < line.length / 2; n += 1) {
    if (n % TURNS_AT_A_TIME === 0) [cos, sin] = [Math.cos(2 * Math.PI * turns * n), Math.sin(2 * Math.PI * turns * n)];
    const [re, im] = [line[2 * n] as number, line[2 * n + 1] as number];
    line[2 * n] = re * cos - im * sin;
    line[2 * n + 1] = re * sin + im * cos;
    [cos, sin] = [cos * stepCos - sin * stepSin, sin * stepCos + cos * stepSin];
  }
}
