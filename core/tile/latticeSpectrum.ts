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
 */
export function filterWaves(data: Float64Array, cell: PixelCell, gain: (across: number, down: number) => number): void {
  const isColumns = cell.stacked === 'columns';
  // The straight direction is the one that repeats by itself: down in columns, across in rows.
  const [straight, other] = isColumns ? [cell.height, cell.width] : [cell.width, cell.height];
  const [stepStraight, stepOther] = isColumns ? [cell.width, 1] : [1, cell.width];
  const first = new Fourier(straight);
  const second = new Fourier(other);
  const line = new Float64Array(2 * straight);
  for (let n = 0; n < other; n += 1) {
    gather(data, line, n * stepOther, stepStraight);
    first.forward(line);
    scatter(data, line, n * stepOther, stepStraight);
  }
  const wave = new Float64Array(2 * other);
  for (let k = 0; k < straight; k += 1) {
    const shift = (k * cell.drop) / straight;
    gather(data, wave, k * stepStraight, stepOther);
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
    scatter(data, wave, k * stepStraight, stepOther);
  }
  for (let n = 0; n < other; n += 1) {
    gather(data, line, n * stepOther, stepStraight);
    first.inverse(line);
    scatter(data, line, n * stepOther, stepStraight);
  }
}

function gather(from: Float64Array, line: Float64Array, start: number, step: number): void {
  for (let n = 0, at = 2 * start; n < line.length; n += 2, at += 2 * step) {
    line[n] = from[at] as number;
    line[n + 1] = from[at + 1] as number;
  }
}

function scatter(to: Float64Array, line: Float64Array, start: number, step: number): void {
  for (let n = 0, at = 2 * start; n < line.length; n += 2, at += 2 * step) {
    to[at] = line[n] as number;
    to[at + 1] = line[n + 1] as number;
  }
}

/** Each number turned by so many turns more than the one before it. */
function twist(line: Float64Array, turns: number): void {
  if (turns === 0) return;
  for (let n = 0; n < line.length / 2; n += 1) {
    const angle = 2 * Math.PI * turns * n;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const [re, im] = [line[2 * n] as number, line[2 * n + 1] as number];
    line[2 * n] = re * cos - im * sin;
    line[2 * n + 1] = re * sin + im * cos;
  }
}
