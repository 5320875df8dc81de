import type { PixelImage } from '../scan/index.ts';
import { type JoinedCell, neighbourOf } from './joined.ts';

/** How large the steps from pixel to pixel are, in levels of 0 to 255, the mean of the colour channels. */
export interface JoinVisibility {
  /** Where two places of the picture meet. */
  readonly join: number;
  /** Where pixels lie beside each other as in the picture: on the mean, and the median. */
  readonly inside: number;
  readonly median: number;
}

/** How much a join shows in the picture that was made of it: the steps across it against those inside. */
export function joinVisibility(
  { data }: PixelImage,
  { cell, source }: JoinedCell,
  pictureWidth: number,
): JoinVisibility {
  const { width, height } = cell;
  let [join, joins, inside, insides] = [0, 0, 0, 0];
  const steps = new Uint32Array(3 * 256);
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const here = y * width + x;
      for (const down of [false, true]) {
        const next = neighbourOf(cell, x, y, down);
        let step = 0;
        for (let c = 0; c < 3; c += 1)
          step += Math.abs((data[4 * here + c] as number) - (data[4 * next + c] as number));
        if (source[next] === (source[here] as number) + (down ? pictureWidth : 1)) {
          inside += step / 3;
          insides += 1;
          steps[step] = (steps[step] as number) + 1;
        } else {
          join += step / 3;
          joins += 1;
        }
      }
    }
  }
  let median = 0;
  for (let seen = steps[0] as number; seen < insides / 2 && median < steps.length - 1; seen += steps[median] as number)
    median += 1;
  return { join: joins === 0 ? 0 : join / joins, inside: insides === 0 ? 0 : inside / insides, median: median / 3 };
}
