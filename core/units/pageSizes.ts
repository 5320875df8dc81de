import { MM_PER_INCH } from './length.ts';

/** Paper, mm, upright. */
export const PAPERS = {
  a4: { name: 'A4', width: 210, height: 297 },
  a3: { name: 'A3', width: 297, height: 420 },
  letter: { name: 'Letter', width: 215.9, height: 279.4 },
} as const;
export type PaperName = keyof typeof PAPERS;
// What a record's keys are is known from its literal.
export const PAPER_NAMES = Object.keys(PAPERS) as PaperName[];

/** Pixels of a screen to the inch, as CSS counts them. */
const SCREEN_DPI = 96;

/** A size that is known by a name. */
export interface PageSize {
  readonly name: string;
  /** mm */
  readonly width: number;
  readonly height: number;
  /** Width in pixels, of a screen. */
  readonly pixels?: number;
}

const screen = (width: number, height: number): PageSize => ({
  name: `${width} × ${height} px`,
  width: (width * MM_PER_INCH) / SCREEN_DPI,
  height: (height * MM_PER_INCH) / SCREEN_DPI,
  pixels: width,
});

/** Sheets of paper, and screens with banners. */
export const PAGE_SIZES: readonly PageSize[] = [
  ...Object.values(PAPERS),
  screen(1280, 720),
  screen(1920, 1080),
  screen(1080, 1350),
  screen(1080, 1080),
];
