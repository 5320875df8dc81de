import { blankPixels, type PixelImage } from '../scan/index.ts';
import { type JoinedCell, neighbourOf } from './joined.ts';
import { filterWaves } from './latticeSpectrum.ts';

/** The joined pixels as they are in the picture. */
export function joinedPixels({ data }: PixelImage, { cell, source }: JoinedCell): PixelImage {
  const joined = blankPixels(cell.width, cell.height);
  const from = new Uint32Array(data.buffer, data.byteOffset, data.length / 4);
  const to = new Uint32Array(joined.data.buffer);
  for (let n = 0; n < source.length; n += 1) to[n] = from[source[n] as number] as number;
  return joined;
}

/**
 * The joined pixels with the step that is left at the joins spread over their surroundings: the picture on the lattice's torus whose differences from pixel to
 * pixel come nearest to those of the picture itself (Pérez, Gangnet and Blake, 2003), where two places of it meet to the stronger of what goes on from either. Its mean stays.
 *
 * Poisson's equation on the torus is solved exactly, wave by wave: a wave of u and v periods per pixel is divided by 2·cos 2πu + 2·cos 2πv − 4.
 *
 * @param progress is told shares of the work, 0 to 1
 */
export function spreadSteps(
  picture: PixelImage,
  joined: JoinedCell,
  progress: (share: number) => void = () => undefined,
): PixelImage {
  const { cell, source } = joined;
  const { width, height } = cell;
  const result = joinedPixels(picture, joined);
  // Single precision, which is a thousand times finer than a level and keeps tiles of fifty megapixels in memory.
  const solution = new Float32Array(2 * width * height);
  // Two channels at a time, as the real and the imaginary part.
  for (const [n, pair] of [
    [0, 1],
    [2, 3],
  ].entries()) {
    solution.fill(0);
    for (let y = 0; y < height; y += 1) {
      for (let x = 0; x < width; x += 1) {
        const here = y * width + x;
        for (const down of [false, true]) {
          const next = neighbourOf(cell, x, y, down);
          for (const [part, c] of pair.entries()) {
            const by = wantedDifference(picture, source[here] as number, source[next] as number, down, c);
            solution[2 * here + part] = (solution[2 * here + part] as number) + by;
            solution[2 * next + part] = (solution[2 * next + part] as number) - by;
          }
        }
      }
    }
    const gain = (u: number, v: number): number => {
      const divisor = 2 * Math.cos(2 * Math.PI * u) + 2 * Math.cos(2 * Math.PI * v) - 4;
      return divisor > -1e-12 ? 0 : 1 / divisor;
    };
    filterWaves(solution, cell, gain, (share) => progress((n + share) / 2));
    for (const [part, c] of pair.entries()) {
      let sum = 0;
      for (let at = c; at < result.data.length; at += 4) sum += result.data[at] as number;
      const mean = sum / (width * height);
      for (let here = 0; here < width * height; here += 1)
        result.data[4 * here + c] = mean + (solution[2 * here + part] as number);
    }
  }
  return result;
}

/**
 * How much the stronger of two steps counts that meet at a join, as a share of the mean square. The plain mean of two that have nothing to do with each
 * other would be a strip of blur, and the stronger alone one that is too sharp.
 */
const STRONGER = 0.7;

/** By how much the right or lower of two neighbouring pixels is to be lighter: as in the picture, or as it goes on from either of two places that meet. */
function wantedDifference(
  { width, height, data }: PixelImage,
  here: number,
  next: number,
  down: boolean,
  c: number,
): number {
  const step = down ? width : 1;
  const value = (n: number): number => data[4 * n + c] as number;
  if (next === here + step) return value(next) - value(here);
  const first = (down ? here + step < width * height : here % width < width - 1) ? value(here + step) - value(here) : 0;
  const second = (down ? next >= step : next % width > 0) ? value(next) - value(next - step) : 0;
  const [weak, strong] = Math.abs(first) < Math.abs(second) ? [first, second] : [second, first];
  return Math.sign(strong) * Math.sqrt(STRONGER * strong * strong + (1 - STRONGER) * weak * weak);
}
