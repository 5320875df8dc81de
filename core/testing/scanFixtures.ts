import { blankPixels, type PixelImage } from '../scan/pixelImage.ts';

/** A picture from rows of letters: `#` ink, `.` paper, `o` half ink, a space see-through. */
const TONES: Readonly<Record<string, readonly number[]>> = {
  '#': [0, 0, 0, 255],
  '.': [255, 255, 255, 255],
  o: [128, 128, 128, 255],
  ' ': [0, 0, 0, 0],
  r: [200, 0, 0, 255],
  p: [240, 230, 210, 255],
};

export function picture(...rows: string[]): PixelImage {
  const grid = blankPixels(rows[0]?.length ?? 0, rows.length);
  rows.forEach((row, y) =>
    [...row].forEach((letter, x) => grid.data.set(TONES[letter] as number[], (y * grid.width + x) * 4)),
  );
  return grid;
}

export const alphas = ({ width, data }: PixelImage): number[][] =>
  Array.from({ length: data.length / 4 / width }, (_, y) =>
    Array.from({ length: width }, (__, x) => data[(y * width + x) * 4 + 3] as number),
  );

export const pixel = ({ width, data }: PixelImage, x: number, y: number): number[] => [
  ...data.slice((y * width + x) * 4, (y * width + x) * 4 + 4),
];

export const shown = (grid: PixelImage): string[] =>
  alphas(grid).map((row) => row.map((a) => (a === 0 ? ' ' : '#')).join(''));
