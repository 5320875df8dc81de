import { colourDifference } from '../colour/index.ts';
import type { PixelImage } from '../scan/index.ts';
import type { JoinedCell } from './joined.ts';

/** The mean is taken of so many pixels at the most, which is right to about a twentieth of it. */
const MOST_SAMPLES = 4096;
/** Steps of the golden ratio fall evenly on whatever they fall on. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** How far a picture that was made to repeat is from the picture itself: CIEDE2000 in the mean of its pixels. */
export function colourDrift(made: PixelImage, picture: PixelImage, { source }: JoinedCell): number {
  const count = Math.min(MOST_SAMPLES, source.length);
  let [sum, seen] = [0, 0];
  for (let n = 0; n < count; n += 1) {
    const here = count === source.length ? n : Math.floor(((n * GOLDEN) % 1) * source.length);
    const there = source[here] as number;
    if (picture.data[4 * there + 3] === 0) continue;
    sum += colourDifference(colourAt(made, here), colourAt(picture, there));
    seen += 1;
  }
  return seen === 0 ? 0 : sum / seen;
}

function colourAt({ data }: PixelImage, n: number) {
  const level = (c: number): number => (data[4 * n + c] as number) / 255;
  return { mode: 'rgb', r: level(0), g: level(1), b: level(2) } as const;
}
