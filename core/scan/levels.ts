import type { Levels } from '../recipe/index.ts';
import { lightness, type PixelImage } from './pixelImage.ts';

/** How many of the picture's pixels have each lightness, 0 to 255; see-through ones are not counted. */
export function histogram({ data }: PixelImage): Uint32Array {
  const counts = new Uint32Array(256);
  for (let i = 0; i < data.length; i += 4) {
    if (data[i + 3] === 0) continue;
    const bin = Math.round(lightness(data, i));
    counts[bin] = (counts[bin] as number) + 1;
  }
  return counts;
}

/** Share of the pixels that may be lost to full black, as to full white. */
const LOST = 0.005;
/** The paper is the lightness that most pixels have; it becomes white with this much of its spread. */
const PAPER_SPREAD = 0.35;

/** Levels that make the ink black and the paper white. */
export function proposeLevels(counts: Uint32Array): Levels {
  let total = 0;
  let paper = 255;
  for (let n = 255; n >= 0; n -= 1) {
    total += counts[n] as number;
    if ((counts[n] as number) > (counts[paper] as number)) paper = n;
  }
  let black = 0;
  for (let sum = counts[0] as number; sum < total * LOST && black < 253; sum += counts[black] as number) black += 1;
  // The paper's grain reaches as far below its peak as it does above.
  let lightest = 255;
  for (let sum = counts[255] as number; sum < total * LOST && lightest > paper; sum += counts[lightest] as number)
    lightest -= 1;
  const white = Math.max(black + 2, Math.min(255, Math.round(paper - (lightest - paper) * PAPER_SPREAD)));
  return { black, white, middle: (black + white) / 2 };
}

/**
 * What each value becomes: `black` 0, `white` 255, `middle` 127.5, and between them the power curve through the three.
 * The exponent is ln ½ / ln m, m being where the middle lies between black and white.
 */
export function levelTable({ black, middle, white }: Levels): Uint8ClampedArray {
  const exponent = Math.log(0.5) / Math.log((middle - black) / (white - black));
  return Uint8ClampedArray.from(
    { length: 256 },
    (_, n) => 255 * Math.min(1, Math.max(0, (n - black) / (white - black))) ** exponent,
  );
}

/** Lifts every channel; changes the picture itself. */
export function applyLevels({ data }: PixelImage, levels: Levels): void {
  const table = levelTable(levels);
  for (let i = 0; i < data.length; i += 4) {
    data[i] = table[data[i] as number] as number;
    data[i + 1] = table[data[i + 1] as number] as number;
    data[i + 2] = table[data[i + 2] as number] as number;
  }
}
